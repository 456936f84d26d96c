'use client';

import { DayPicker } from '@/ui/fields/DayPicker';

/** The last day on which something can be decided. */
export function Until({
  label,
  until,
  readOnly,
  change,
}: {
  label: string;
  until: string | undefined;
  readOnly: boolean;
  change: (until: string | null) => void;
}) {
  return (
    <label className="until">
      until{' '}
      <DayPicker
        size="small"
        label={`${label}: can be decided until`}
        disabled={readOnly}
        value={until ?? null}
        onChange={change}
      />
    </label>
  );
}
