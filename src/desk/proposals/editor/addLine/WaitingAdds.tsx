'use client';

import { Button } from 'antd';
import type { Waiting } from './useAddQueue';

/** What was asked for at the add line and is not in the sheet yet; what nothing came of gives its text back. */
export function WaitingAdds({
  waiting,
  again,
  drop,
  edit,
}: {
  readonly waiting: readonly Waiting[];
  readonly again: (one: Waiting, own: boolean) => void;
  readonly drop: (id: number) => void;
  /** Takes the text back into the field; null while other text stands there. */
  readonly edit: ((one: Waiting) => void) | null;
}) {
  if (waiting.length === 0) return null;
  return (
    <ul className="add-waiting" aria-label="Not added yet">
      {waiting.map((one) => (
        <li key={one.id} className={one.trouble === null ? 'soft' : ''}>
          <span className="add-waiting-text">{one.text}</span>
          {one.trouble === null ? (
            <span>being added …</span>
          ) : (
            <>
              <span className="wrong" role="alert">
                {one.trouble}
              </span>
              <Button type="link" size="small" onClick={() => again(one, false)}>
                Try again
              </Button>
              <Button type="link" size="small" onClick={() => again(one, true)}>
                Add as its own line
              </Button>
              <Button
                type="link"
                size="small"
                disabled={edit === null}
                title={edit === null ? 'Other text stands in the field' : undefined}
                onClick={() => edit?.(one)}
              >
                Change
              </Button>
              <Button type="link" size="small" onClick={() => drop(one.id)}>
                Delete
              </Button>
            </>
          )}
        </li>
      ))}
    </ul>
  );
}
