import type { ItemAtDesk } from '@/services/library/items';
import { showInstant } from '@/ui/instants';

/** What the cost of an item was before, who changed it, when and why. */
export function CostHistory({
  history,
  older,
  timeZone,
}: {
  readonly history: ItemAtDesk['history'];
  readonly older: boolean;
  readonly timeZone: string;
}) {
  return (
    <>
      <h2>Cost over time</h2>
      {history.length === 0 ? (
        <p className="soft">Not changed since it was added.</p>
      ) : (
        <>
          <ul className="plain-list" aria-label="Cost over time">
            {history.map(({ id, at, by, why, before, after }) => (
              <li key={id}>
                {before} → {after}{' '}
                <span className="soft">
                  {showInstant(at, timeZone)}, {by ?? 'nobody named'}, {why}
                </span>
              </li>
            ))}
          </ul>
          {older && <p className="soft">The last {history.length} changes.</p>}
        </>
      )}
    </>
  );
}
