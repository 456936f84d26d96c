import type { ProblemDetails } from '@/model/problem';

/** What went wrong, and (when the proposal was replaced) what is different now. */
export function Trouble({ problem }: { problem: ProblemDetails }) {
  const changes = problem.context?.changes as
    { what: string; before: string | null; after: string | null }[] | undefined;
  return (
    <section className="leaf trouble" role="alert">
      <p>{problem.detail}</p>
      {changes && (
        <>
          {changes.length > 0 && (
            <table>
              <thead>
                <tr>
                  <th>What</th>
                  <th>Before</th>
                  <th>Now</th>
                </tr>
              </thead>
              <tbody>
                {changes.map(({ what, before, after }, i) => (
                  <tr key={i}>
                    <td>{what}</td>
                    <td>{before ?? '–'}</td>
                    <td>{after ?? '–'}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <button type="button" className="button" onClick={() => window.location.reload()}>
            Read the new one
          </button>
        </>
      )}
    </section>
  );
}
