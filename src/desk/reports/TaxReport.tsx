'use client';

import { useRouter } from 'next/navigation';
import Link from 'next/link';
import type { TaxReportAtDesk } from '@/services/reports/taxReport';
import { isBelowZero, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { DayRangePicker } from '@/ui/fields/DayPicker';
import { PlainTable } from '@/ui/tables/PlainTable';
import type { Period } from './periods';
import { periodsNear } from './periods';

const addressOf = ({ from, to }: Period) => `/reports?${new URLSearchParams({ show: 'tax', from, to })}`;

/** The periods of the sales tax report, and any other. */
export function TaxPeriods({ period, today }: { readonly period: Period; readonly today: string }) {
  const router = useRouter();
  return (
    <>
      {periodsNear(today).map(({ name, from, to }) => (
        <Link
          key={name}
          href={addressOf({ from, to })}
          prefetch={false}
          {...(period.from === from && period.to === to ? { 'aria-current': 'page' as const } : {})}
        >
          {name}
        </Link>
      ))}
      <DayRangePicker
        label="Period"
        value={period}
        onChange={({ from, to }) => {
          if (from !== null && to !== null) router.push(addressOf({ from, to }));
        }}
      />
    </>
  );
}

const Amount = ({ text }: { readonly text: string }) => (
  <span className={isBelowZero(text) ? 'wrong' : ''}>{showDecimal(text)}</span>
);

/** Sales tax of a period by component: on what was invoiced, and in the money that came in. */
export function TaxReportView({ report }: { readonly report: TaxReportAtDesk }) {
  const { period, rows, sales, untaxed, invoiced, collected, currency } = report;
  const file = (format: 'csv' | 'xlsx') =>
    `/api/v1/reports/tax?${new URLSearchParams({ ...period, format })}`;
  const inWords = `${showDate(period.from)} to ${showDate(period.to)}`;
  if (rows.length === 0 && Number(sales) === 0)
    return <p className="empty">Nothing was invoiced or paid from {inWords}.</p>;
  return (
    <>
      <p className="report-note">
        <span className="soft">
          {inWords}, in {currency}. Credit notes are taken off; late charges bear no tax.{' '}
        </span>
        <a className="link-in-text" download href={file('csv')}>
          As CSV
        </a>{' '}
        <a className="link-in-text" download href={file('xlsx')}>
          As XLSX
        </a>
      </p>
      <PlainTable
        label="Sales tax"
        rows={rows}
        rowKey={({ name, percent }) => `${name} ${percent}`}
        columns={[
          { key: 'name', title: 'Tax', cell: ({ name }) => name },
          { key: 'percent', title: '%', figure: true, cell: ({ percent }) => showDecimal(percent) },
          {
            key: 'base',
            title: 'Net that bears it',
            figure: true,
            cell: ({ base }) => <Amount text={base} />,
          },
          {
            key: 'invoiced',
            title: 'Tax invoiced',
            figure: true,
            cell: ({ invoiced: text }) => <Amount text={text} />,
          },
          {
            key: 'collected',
            title: 'Tax collected',
            figure: true,
            cell: ({ collected: text }) => <Amount text={text} />,
          },
        ]}
        foot={[{ name: 'All', invoiced: showDecimal(invoiced), collected: showDecimal(collected) }]}
      />
      <dl className="pairs report-sums">
        <dt>Invoiced, net of tax</dt>
        <dd>{showDecimal(sales)}</dd>
        <dt>of which bears no tax</dt>
        <dd>{showDecimal(untaxed)}</dd>
      </dl>
      <p className="soft report-note">
        Invoiced: tax on invoices and credit notes of these days, paid or not. Collected: the part of it in
        the money that came in on these days, less what went back. Which of the two is owed is the law of your
        place.
      </p>
    </>
  );
}
