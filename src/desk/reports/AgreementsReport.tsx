import Link from 'next/link';
import type { AgreementsReport } from '@/services/reports/agreementsReport';
import { isBelowZero, isNothing, showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import { AgreementsChart } from './AgreementsChart';

const amount = (text: string) => (isNothing(text) ? '' : showDecimal(text));
const below = (text: string) => (isBelowZero(text) ? 'amount wrong' : 'amount');

/** Rows that are shown; the sums are over all. */
const SHOWN = 200;

/** Agreements looked back on: agreed, billed and paid with tax, cost and profit before it. */
export function AgreementsReportView({
  back: { rows, all, currency, year, years },
}: {
  back: AgreementsReport;
}) {
  if (!all)
    return (
      <p className="empty">
        {years.length === 0
          ? 'Nothing is signed yet. Agreements stand here from the first signature on.'
          : 'Nothing was signed in this year.'}
      </p>
    );
  const count = rows.length;
  return (
    <>
      <AgreementsChart rows={rows} />
      <p className="report-note">
        <span className="soft">
          In {currency}. Agreed, billed and paid with tax; cost and profit before tax.{' '}
        </span>
        <a className="link-in-text" download href={`/api/v1/reports.csv?list=agreements&year=${year}`}>
          As CSV
        </a>
      </p>
      <div className="job-scroll">
        <table className="table-plain" aria-label="Agreements">
          <thead>
            <tr>
              <th>No.</th>
              <th>Agreement</th>
              <th>Signed</th>
              <th className="amount">Agreed</th>
              <th className="amount">Billed</th>
              <th className="amount">Paid</th>
              <th className="amount job-split">Cost so far</th>
              <th className="amount">Over/underbilled</th>
              <th className="amount">Profit</th>
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, SHOWN).map((row) => (
              <tr key={row.id} className="link-row">
                <td>{row.number}</td>
                <td>
                  <Link href={`/agreements/${row.id}/job-costing`} prefetch={false}>
                    {row.title}
                  </Link>
                  <div className="soft">{row.customer}</div>
                </td>
                <td className="nowrap">{showShortDate(row.signedOn)}</td>
                <td className="amount">{amount(row.sumToDate)}</td>
                <td className="amount">{amount(row.billed)}</td>
                <td className="amount">{amount(row.paid)}</td>
                <td className="amount job-split">{amount(row.job.cost)}</td>
                <td className={below(row.job.overBilled)}>{amount(row.job.overBilled)}</td>
                <td className={below(row.job.expectedProfit)}>{amount(row.job.expectedProfit)}</td>
              </tr>
            ))}
            <tr className="job-total">
              <td />
              <td>{count === 1 ? 'All' : `All ${count}`}</td>
              <td />
              <td className="amount">{amount(all.sumToDate)}</td>
              <td className="amount">{amount(all.billed)}</td>
              <td className="amount">{amount(all.paid)}</td>
              <td className="amount job-split">{amount(all.cost)}</td>
              <td className={below(all.overBilled)}>{amount(all.overBilled)}</td>
              <td className={below(all.expectedProfit)}>{amount(all.expectedProfit)}</td>
            </tr>
          </tbody>
        </table>
      </div>
      {count > SHOWN && <p>The {count - SHOWN} older ones are in the sum and in the list as CSV.</p>}
      <p className="soft">
        Overbilled is what is billed beyond what the work done has earned (below zero: underbilled); profit is
        what will be left when what is still to come has been spent.
      </p>
    </>
  );
}
