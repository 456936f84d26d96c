import type { Change, LostPick } from '@/model/customerView';

/** What is different from the revision before, in the words and figures of both. */
export function Since({ changes, revision }: { changes: readonly Change[]; revision: number }) {
  return (
    <details className="since">
      <summary>What changed since revision {revision - 1}</summary>
      <Changes changes={changes} />
    </details>
  );
}

export function Changes({ changes }: { changes: readonly Change[] }) {
  return (
    <table className="changes">
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
  );
}

/** What became of the choices made on the revision before. */
export function Kept({ lost }: { lost: readonly LostPick[] }) {
  return lost.length === 0 ? (
    <p className="soft">Your choices are kept.</p>
  ) : (
    <div className="word" role="note">
      Your choices are kept, but for:
      <ul>
        {lost.map(({ about, picked, because }) => (
          <li key={`${about} ${picked}`}>
            <strong>{about}</strong>: {picked}. {because}
          </li>
        ))}
      </ul>
    </div>
  );
}
