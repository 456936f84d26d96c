import type { Fixed } from '@/core/number';
import { showUnitAmount } from '@/core/number';
import { PlainTable } from '@/ui/tables/PlainTable';

interface Move {
  readonly id: string;
  readonly description: string;
  readonly before: Fixed;
  readonly after: Fixed;
}

/** Unit prices that would move, before and after. */
export const PriceMoves = ({ moves }: { readonly moves: readonly Move[] }) => (
  <PlainTable
    label="Prices that move"
    headless
    rows={moves}
    rowKey={({ id }) => id}
    columns={[
      { key: 'line', title: 'Line', cell: ({ description }) => description },
      {
        key: 'before',
        title: 'Before',
        figure: true,
        cell: ({ before }) => <span className="soft">{showUnitAmount(before)}</span>,
      },
      { key: 'after', title: 'After', figure: true, cell: ({ after }) => showUnitAmount(after) },
    ]}
  />
);
