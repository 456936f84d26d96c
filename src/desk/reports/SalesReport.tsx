import type { SalesReport } from '@/services/reports/salesReport';
import { isNothing, showDecimal } from '@/core/number';

type Win = SalesReport['all'];

const amount = (text: string) => (isNothing(text) ? '' : showDecimal(text));
const rate = (value: number | null) => (value === null ? '' : `${value} %`);
const days = (value: number | null) => (value === null ? '' : `${value} ${value === 1 ? 'day' : 'days'}`);

function Wins({ head, list, rows, all }: { head: string; list: string; rows: readonly Win[]; all: Win }) {
  const cells = (row: Win) => (
    <>
      <td className="amount">{row.sent}</td>
      <td className="amount">{row.signed || ''}</td>
      <td className="amount">{row.lost || ''}</td>
      <td className="amount">{row.open || ''}</td>
      <td>
        <span className="report-rate">
          <span className="job-bar" aria-hidden="true">
            <span className="job-bar-cost" style={{ width: `${row.rate ?? 0}%` }} />
          </span>
          {rate(row.rate)}
        </span>
      </td>
      <td className="amount">{days(row.medianDays)}</td>
      <td className="amount">{amount(row.offered)}</td>
      <td className="amount">{amount(row.won)}</td>
    </>
  );
  return (
    <>
      <h2>
        By {head.toLowerCase()}{' '}
        <a className="link-in-text report-csv" download href={list}>
          As CSV
        </a>
      </h2>
      <table className="table-plain" aria-label={`By ${head.toLowerCase()}`}>
        <thead>
          <tr>
            <th>{head}</th>
            <th className="amount">Sent</th>
            <th className="amount">Signed</th>
            <th className="amount">Lost</th>
            <th className="amount">Open</th>
            <th>Won of those decided</th>
            <th className="amount">Sent to signed</th>
            <th className="amount">Offered</th>
            <th className="amount">Signed for</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.name}>
              <td>{row.name || 'none'}</td>
              {cells(row)}
            </tr>
          ))}
          <tr className="job-total">
            <td>All</td>
            {cells(all)}
          </tr>
        </tbody>
      </table>
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
        <a className="link-in-text report-csv" download href={csv('items')}>
          As CSV
        </a>
      </h2>
      <table className="table-plain" aria-label="Items">
        <thead>
          <tr>
            <th>Code</th>
            <th>Item</th>
            <th className="amount">In proposals</th>
            <th className="amount">In agreements</th>
            <th className="amount">Signed for</th>
          </tr>
        </thead>
        <tbody>
          {back.items.slice(0, 60).map((row) => (
            <tr key={row.itemId}>
              <td className="nowrap">{row.code}</td>
              <td>{row.name}</td>
              <td className="amount">{row.offered}</td>
              <td className="amount">{row.used || ''}</td>
              <td className="amount">{amount(row.sold)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
