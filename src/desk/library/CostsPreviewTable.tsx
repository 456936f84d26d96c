import type { CostsPreview } from '@/services/library/bulk';
import { PlainTable } from '@/ui/tables/PlainTable';

/** What the costs would be, beside what they are. */
export function CostsPreviewTable({ preview: { count, items } }: { readonly preview: CostsPreview }) {
  if (count === 0) return <p className="empty">No cost would move.</p>;
  return (
    <>
      <PlainTable
        label="Costs before and after"
        rows={items}
        rowKey={({ id }) => id}
        columns={[
          { key: 'code', title: 'Code', cell: ({ code }) => <span className="soft">{code}</span> },
          { key: 'name', title: 'Item', cell: ({ name }) => name },
          { key: 'before', title: 'Unit cost now', figure: true, cell: ({ before }) => before },
          { key: 'after', title: 'Then', figure: true, cell: ({ after }) => after },
        ]}
      />
      {items.length < count && (
        <p className="soft">
          The first {items.length} of {count}.
        </p>
      )}
    </>
  );
}
