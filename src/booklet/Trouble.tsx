import type { Change } from '@/model/customerView';
import type { ProblemDetails } from '@/model/problem';
import { Changes } from './Since';

/** What went wrong, and (when the proposal was replaced) what is different now. */
export function Trouble({ problem }: { problem: ProblemDetails }) {
  const changes = problem.context?.changes as readonly Change[] | undefined;
  return (
    <section className="leaf trouble" role="alert">
      <p>{problem.detail}</p>
      {changes && (
        <>
          {changes.length > 0 && <Changes changes={changes} />}
          <button type="button" className="button" onClick={() => window.location.reload()}>
            Read the new one
          </button>
        </>
      )}
    </section>
  );
}
