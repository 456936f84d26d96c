'use client';

import { Cell } from '@/ui/live/Cell';

/** Which of several we recommend, and why. */
export function Advice({
  label,
  options,
  picked,
  reason,
  readOnly,
  change,
}: {
  label: string;
  options: readonly { readonly id: string; readonly name: string }[];
  picked: string | null;
  reason: string;
  readOnly: boolean;
  change: (next: { readonly recommended?: string | null; readonly reason?: string }) => void;
}) {
  return (
    <span className="advice">
      <label>
        we recommend{' '}
        <select
          className="plain-field"
          aria-label={`${label}: we recommend`}
          disabled={readOnly}
          value={picked ?? ''}
          onChange={({ target }) => change({ recommended: target.value === '' ? null : target.value })}
        >
          <option value="">none of them</option>
          {options.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {picked !== null && (
        <Cell
          name="reason"
          label={`${label}: why we recommend it`}
          shown={reason}
          placeholder="why, for the customer to read"
          readOnly={readOnly}
          commit={(text) => change({ reason: text })}
        />
      )}
    </span>
  );
}
