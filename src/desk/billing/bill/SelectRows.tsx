import { Checkbox } from 'antd';
import type { WorkRow } from '@/core/billing';
import type { BillRowsProps } from './BillRows';

/** Selects one row, or all of several; what is billed in full cannot be. */
export function SelectRows({
  name,
  rows,
  selected,
  select,
}: Pick<BillRowsProps, 'selected' | 'select'> & {
  readonly name: string;
  readonly rows: readonly WorkRow[];
}) {
  const ids = rows.filter(({ finished }) => !finished).map(({ line }) => line.id);
  const on = ids.filter((id) => selected.has(id)).length;
  if (ids.length === 0) return null;
  return (
    <Checkbox
      aria-label={`Select ${name}`}
      checked={on === ids.length}
      indeterminate={on > 0 && on < ids.length}
      onChange={({ target }) => select(ids, target.checked)}
    />
  );
}
