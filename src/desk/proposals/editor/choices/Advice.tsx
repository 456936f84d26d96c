'use client';

import { Select } from 'antd';
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
        <Select
          size="small"
          popupMatchSelectWidth={false}
          aria-label={`${label}: we recommend`}
          disabled={readOnly}
          value={picked ?? ''}
          onChange={(picked: string) => change({ recommended: picked === '' ? null : picked })}
          options={[
            { value: '', label: 'none of them' },
            ...options.map(({ id, name }) => ({ value: id, label: name })),
          ]}
        />
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
