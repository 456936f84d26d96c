'use client';

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
      <input
        type="date"
        className="plain-field"
        aria-label={`${label}: can be decided until`}
        disabled={readOnly}
        value={until ?? ''}
        onChange={({ target }) => change(target.value === '' ? null : target.value)}
      />
    </label>
  );
}
