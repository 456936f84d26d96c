'use client';

import type { ReactNode } from 'react';
import type { SalesReport } from '@/services/reports/salesReport';
import { PlainTable } from '@/ui/tables/PlainTable';
import { isNothing, showDecimal } from '@/core/number';
import { ExportLink } from '@/ui/may/ExportLink';

type Win = SalesReport['all'];

const amount = (text: string) => (isNothing(text) ? '' : showDecimal(text));
const rate = (value: number | null) => (value === null ? '' : `${value} %`);
const days = (value: number | null) => (value === null ? '' : `${value} ${value === 1 ? 'day' : 'days'}`);

/** Items that are shown; the list as CSV has all. */
const ITEMS = 60;

/** Columns of how proposals fared, for each row and for all. */
const ofWins: readonly {
  readonly key: string;
  readonly title: string;
  /** No figure: it stands left. */
  readonly plain?: boolean;
  readonly cell: (row: Win) => ReactNode;
}[] = [
  { key: 'sent', title: 'Sent', cell: (row) => row.sent },
  { key: 'signed', title: 'Signed', cell: (row) => row.signed || '' },
  { key: 'lost', title: 'Lost', cell: (row) => row.lost || '' },
  { key: 'open', title: 'Open', cell: (row) => row.open || '' },
  {
    key: 'rate',
    title: 'Won of those decided',
    plain: true,
    cell: (row) => (
      <span className="report-rate">
        <span className="job-bar" aria-hidden="true">
          <span className="job-bar-cost" style={{ width: `${row.rate ?? 0}%` }} />
        </span>
        {rate(row.rate)}
      </span>
    ),
  },
  { key: 'days', title: 'Sent to signed', cell: (row) => days(row.medianDays) },
  { key: 'offered', title: 'Offered', cell: (row) => amount(row.offered) },
  { key: 'won', title: 'Signed for', cell: (row) => amount(row.won) },
];

function Wins({ head, list, rows, all }: { head: string; list: string; rows: readonly Win[]; all: Win }) {
  return (
    <>
      <h2>
        By {head.toLowerCase()}{' '}
        <ExportLink className="link-in-text report-csv" href={list}>
          As CSV
        </ExportLink>{' '}
        <ExportLink className="link-in-text report-csv" href={`${list}&format=xlsx`}>
          As XLSX
        </ExportLink>
      </h2>
      <PlainTable
        label={`By ${head.toLowerCase()}`}
        rows={rows}
        rowKey={({ name }) => name}
        columns={[
          { key: 'name', title: head, cell: ({ name }) => name || 'none' },
          ...ofWins.map(({ plain, ...column }) => ({ ...column, figure: plain !== true })),
        ]}
        foot={[{ name: 'All', ...Object.fromEntries(ofWins.map(({ key, cell }) => [key, cell(all)])) }]}
      />
    </>
  );
}

/** How proposals fared, by seller and by trade, and which items were offered and used. */
export function SalesReportView({ back }: { back: SalesReport }) {
  const csv = (list: string) => `/api/v1/reports.csv?list=${list}&days=${back.days}`;
  if (back.all.sent === 0) return <p className="empty">Nothing was sent in this time.</p>;
  return (
    <>
      <Wins head="Seller" list={csv('sellers')} rows={back.sellers} all={back.all} />
      <Wins head="Trade" list={csv('trades')} rows={back.trades} all={back.all} />
      <p className="soft">
        Lost are those declined and those whose prices ran out. Sent to signed: half of those signed took no
        longer. The trade is the one most of the price is in.
      </p>
      <h2>
        Items offered and used{' '}
        <ExportLink className="link-in-text report-csv" href={csv('items')}>
          As CSV
        </ExportLink>{' '}
        <ExportLink className="link-in-text report-csv" href={`${csv('items')}&format=xlsx`}>
          As XLSX
        </ExportLink>
      </h2>
      <PlainTable
        label="Items"
        rows={back.items.slice(0, ITEMS)}
        rowKey={({ itemId }) => itemId}
        columns={[
          { key: 'code', title: 'Code', className: 'nowrap', cell: ({ code }) => code },
          { key: 'name', title: 'Item', cell: ({ name }) => name },
          { key: 'offered', title: 'In proposals', figure: true, cell: ({ offered }) => offered },
          { key: 'used', title: 'In agreements', figure: true, cell: ({ used }) => used || '' },
          { key: 'sold', title: 'Signed for', figure: true, cell: ({ sold }) => amount(sold) },
        ]}
      />
      {back.items.length > ITEMS && (
        <p className="soft">
          The first {ITEMS} of {back.items.length}; all of them are in the list as CSV.
        </p>
      )}
    </>
  );
}
