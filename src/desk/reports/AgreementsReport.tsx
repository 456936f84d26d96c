'use client';

import Link from 'next/link';
import type { AgreementsReport } from '@/services/reports/agreementsReport';
import { isBelowZero, isNothing, showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import { PlainTable } from '@/ui/tables/PlainTable';
import { AgreementsChart } from './AgreementsChart';
import { ExportLink } from '@/ui/may/ExportLink';

const amount = (text: string) => (isNothing(text) ? '' : showDecimal(text));
/** An amount; below zero it is told apart. */
const Below = ({ text }: { readonly text: string }) => (
  <span className={isBelowZero(text) ? 'wrong' : ''}>{amount(text)}</span>
);

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
        <ExportLink href={`/api/v1/reports.csv?list=agreements&year=${year}`}>As CSV</ExportLink>{' '}
        <ExportLink href={`/api/v1/reports.csv?list=agreements&year=${year}&format=xlsx`}>As XLSX</ExportLink>
      </p>
      <PlainTable
        label="Agreements"
        rows={rows.slice(0, SHOWN)}
        rowKey={({ id }) => id}
        columns={[
          { key: 'number', title: 'No.', cell: ({ number }) => number },
          {
            key: 'title',
            title: 'Agreement',
            cell: (row) => (
              <>
                <Link href={`/agreements/${row.id}/job-costing`} prefetch={false}>
                  {row.title}
                </Link>
                <div className="soft">{row.customer}</div>
              </>
            ),
          },
          {
            key: 'signed',
            title: 'Signed',
            className: 'nowrap',
            cell: ({ signedOn }) => showShortDate(signedOn),
          },
          { key: 'agreed', title: 'Agreed', figure: true, cell: (row) => amount(row.sumToDate) },
          { key: 'billed', title: 'Billed', figure: true, cell: (row) => amount(row.billed) },
          { key: 'paid', title: 'Paid', figure: true, cell: (row) => amount(row.paid) },
          {
            key: 'cost',
            title: 'Cost so far',
            figure: true,
            className: 'job-split',
            cell: (row) => amount(row.job.cost),
          },
          {
            key: 'over',
            title: 'Over/underbilled',
            figure: true,
            cell: (row) => <Below text={row.job.overBilled} />,
          },
          {
            key: 'profit',
            title: 'Profit',
            figure: true,
            cell: (row) => <Below text={row.job.expectedProfit} />,
          },
        ]}
        foot={[
          {
            title: count === 1 ? 'All' : `All ${count}`,
            agreed: amount(all.sumToDate),
            billed: amount(all.billed),
            paid: amount(all.paid),
            cost: amount(all.cost),
            over: <Below text={all.overBilled} />,
            profit: <Below text={all.expectedProfit} />,
          },
        ]}
      />
      {count > SHOWN && <p>The {count - SHOWN} older ones are in the sum and in the list as CSV.</p>}
      <p className="soft">
        Overbilled is what is billed beyond what the work done has earned (below zero: underbilled); profit is
        what will be left when what is still to come has been spent.
      </p>
    </>
  );
}
