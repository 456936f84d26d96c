import { Pagination, Select } from 'antd';
import { useState } from 'react';
import { showDecimal } from '@/core/number';
import { unitName } from '@/model';
import { PlainTable } from '@/ui/tables/PlainTable';
import type { PastedLines } from './usePastedLines';
import { OWN, SKIP } from './usePastedLines';

const PER_PAGE = 50;

/** What a pasted line becomes, to be picked. */
function Becomes({
  pasted: { rows, matches, tooMany, pickOf, pick },
  at,
}: {
  readonly pasted: PastedLines;
  readonly at: number;
}) {
  const found = matches[at];
  return (
    <Select
      size="small"
      aria-label={`What “${rows[at]!.words}” becomes`}
      className="full-width"
      value={found === undefined ? null : pickOf(at)}
      loading={found === undefined && !tooMany}
      options={[
        ...(found ?? []).map(({ id, code, name, unit }) => ({
          value: id,
          label: `${code} ${name} (${unitName(unit)})`,
        })),
        { value: OWN, label: 'A line of its own' },
        { value: SKIP, label: 'Leave it out' },
      ]}
      onChange={(value: string) => pick(at, value)}
    />
  );
}

interface Shown {
  readonly typed: PastedLines['rows'][number];
  readonly i: number;
}

/** The pasted lines, a page at a time, each with what it becomes. */
export function PastedTable({ pasted }: { readonly pasted: PastedLines }) {
  const [page, setPage] = useState(1);
  const { rows } = pasted;
  return (
    <>
      <PlainTable
        label="Pasted lines"
        rows={rows.map((typed, i) => ({ typed, i })).slice((page - 1) * PER_PAGE, page * PER_PAGE)}
        rowKey={({ i }) => i}
        columns={[
          {
            key: 'words',
            title: 'Pasted',
            cell: ({ typed: { code, words } }) => [code, words].filter(Boolean).join(' '),
          },
          {
            key: 'quantity',
            title: 'Quantity',
            figure: true,
            cell: ({ typed: { quantity, unit } }) => (
              <>
                {quantity === null ? <span className="wrong">to look at</span> : showDecimal(quantity)}{' '}
                {unit ? unitName(unit) : ''}
              </>
            ),
          },
          {
            key: 'becomes',
            title: 'Becomes',
            width: '46%',
            cell: ({ i }) => <Becomes pasted={pasted} at={i} />,
          },
          ...(rows.some(({ cost }) => cost !== undefined)
            ? [
                {
                  key: 'cost',
                  title: 'Unit cost',
                  figure: true,
                  cell: ({ typed: { cost } }: Shown) => (cost === undefined ? '' : showDecimal(cost)),
                },
              ]
            : []),
          {
            key: 'amount',
            title: 'Unit amount',
            figure: true,
            cell: ({ typed }) => (typed.price === undefined ? '' : showDecimal(typed.price)),
          },
        ]}
      />
      {rows.length > PER_PAGE && (
        <Pagination
          size="small"
          current={page}
          pageSize={PER_PAGE}
          total={rows.length}
          showSizeChanger={false}
          onChange={setPage}
        />
      )}
    </>
  );
}
