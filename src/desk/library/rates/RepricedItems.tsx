import { Button } from 'antd';
import type { MovedItem } from '@/services/library/rates';
import { parseFixed, showUnitAmount } from '@/core/number';
import { PlainTable } from '@/ui/tables/PlainTable';

/** What items came to before and after a rate or crew moved. */
export function RepricedItems({
  count,
  moved,
  close,
}: {
  readonly count: number;
  readonly moved: readonly MovedItem[];
  readonly close: () => void;
}) {
  return (
    <div className="panel rates-moved" role="status">
      <h2>
        {count} item{count === 1 ? '' : 's'} priced anew
      </h2>
      <PlainTable
        label="Items priced anew"
        headless
        rows={moved}
        rowKey={({ code }) => code}
        columns={[
          { key: 'code', title: 'Code', cell: ({ code }) => <span className="soft">{code}</span> },
          { key: 'name', title: 'Item', cell: ({ name }) => name },
          {
            key: 'before',
            title: 'Before',
            figure: true,
            cell: ({ before }) => showUnitAmount(parseFixed(before)),
          },
          {
            key: 'after',
            title: 'After',
            figure: true,
            cell: ({ after }) => `→ ${showUnitAmount(parseFixed(after))}`,
          },
        ]}
      />
      {moved.length < count && <p className="soft">And {count - moved.length} more.</p>}
      <Button size="small" onClick={close}>
        Close
      </Button>
    </div>
  );
}
