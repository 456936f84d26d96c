'use client';

import Link from 'next/link';
import { showDecimal } from '@/core/number';
import { PlainTable } from '@/ui/tables/PlainTable';

interface Row {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly customer: string;
  readonly sum: string;
}

/** What a sum is made of, agreement by agreement, the largest first. */
export const OfAgreements = ({
  title,
  rows,
  count,
  act,
}: {
  title: string;
  rows: readonly Row[];
  /** How many there are, shown or not. */
  count: number;
  act?: { readonly name: string; readonly query: string };
}) => (
  <>
    <PlainTable
      label={title}
      rows={rows}
      rowKey={({ id }) => id}
      columns={[
        { key: 'number', title: 'No.', cell: ({ number }) => number },
        {
          key: 'agreement',
          title: 'Agreement',
          cell: (row) => (
            <Link href={`/agreements/${row.id}`} prefetch={false}>
              {row.title}
            </Link>
          ),
        },
        { key: 'customer', title: 'Customer', cell: ({ customer }) => customer },
        { key: 'sum', title, figure: true, cell: ({ sum }) => showDecimal(sum) },
        ...(act
          ? [
              {
                key: 'act',
                title: '',
                figure: true,
                cell: ({ id }: Row) => (
                  <Link href={`/agreements/${id}/bill?${act.query}`} prefetch={false}>
                    {act.name}
                  </Link>
                ),
              },
            ]
          : []),
      ]}
    />
    {count > rows.length && (
      <p className="soft">
        The largest {rows.length} of {count} are shown; the sum above is of all.
      </p>
    )}
  </>
);
