import { methodName } from '@/core/text/names';
import type { Metadata } from 'next';
import Link from 'next/link';
import type { MoneyList } from '@/services/billing/invoices';
import { SHOWN, moneyLists, loadMoneyPage } from '@/services/billing/invoices';
import { isNothing, showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import { may } from '@/services/actor';
import { listReminders } from '@/services/billing/reminders';
import { AgeChart } from '@/desk/billing/AgeChart';
import { FindMoney } from '@/desk/billing/FindMoney';
import { InvoiceState } from '@/desk/billing/InvoiceState';
import { Reminders } from '@/desk/billing/Reminders';
import '@/desk/billing/billing.css';
import { LinkButton } from '@/ui/LinkButton';
import { sendRemindersAction } from '../../moneyActions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Money' };

const empty: Readonly<Record<MoneyList, string>> = {
  all: 'No invoice yet. They are issued on the page of an agreement.',
  'to-bill': 'Nothing waits to be billed.',
  out: 'Everything billed is paid.',
  overdue: 'Nothing is late.',
  received: 'Nothing came in this month.',
  held: 'No retainage is held.',
  credit: 'No customer has money with us that is on no invoice.',
};

export default async function MoneyPage({
  searchParams,
}: {
  searchParams: Promise<{ show?: string; search?: string }>;
}) {
  const { show, search: typed } = await searchParams;
  const list = moneyLists.find((each) => each === show) ?? 'all';
  const actor = await pageActor();
  const search = list === 'all' ? String(typed ?? '').slice(0, 200) : '';
  const money = await loadMoneyPage(actor, list, search);
  const all = list === 'all' && search === '';
  const reminders = all || list === 'overdue' ? await listReminders(actor) : [];
  const figures: readonly [MoneyList, string, string, boolean?][] = [
    ['to-bill', 'To bill now', money.toBill],
    ['out', 'Outstanding', money.out],
    ['overdue', 'Overdue', money.overdue, true],
    ['received', 'Received this month', money.receivedThisMonth],
    ['held', 'Retainage held', money.held],
    ['credit', 'Customer credit', money.credit],
  ];
  const title = figures.find(([name]) => name === list)?.[1] ?? 'Invoices';
  return (
    <div className="page">
      <header className="page-head">
        <h1>Money</h1>
        {may(actor, 'owner', 'office') && (
          <span className="page-actions">
            <LinkButton href="/money/accountant">For the accountant</LinkButton>
          </span>
        )}
      </header>
      <nav className="money-figures" aria-label="What the sums are made of">
        {figures.map(([name, label, value, wrong]) => (
          <Link
            key={name}
            href={list === name ? '/money' : `/money?show=${name}`}
            aria-current={list === name ? 'true' : undefined}
            prefetch={false}
          >
            <span className="figure-name">{label}</span>
            <span className={wrong && !isNothing(value) ? 'figure-value wrong' : 'figure-value'}>
              {showDecimal(value)}
            </span>
          </Link>
        ))}
      </nav>
      {(all || list === 'out' || list === 'overdue') && !isNothing(money.out) && (
        <AgeChart byAge={money.byAge} />
      )}
      {reminders.length > 0 && (
        <Reminders due={reminders} maySend={may(actor, 'owner', 'office')} send={sendRemindersAction} />
      )}
      <div className="list-head money-list-head">
        <h2>{title}</h2>
        {list === 'all' && <FindMoney search={search} />}
      </div>
      {money.agreements.length + money.invoices.length + money.payments.length === 0 && (
        <p className="empty">{search ? `Nothing fits “${search}”.` : empty[list]}</p>
      )}
      {money.agreements.length > 0 && (
        <table className="table-plain">
          <thead>
            <tr>
              <th>No.</th>
              <th>Agreement</th>
              <th>Customer</th>
              <th className="amount">{title}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {money.agreements.map((row) => (
              <tr key={row.id} className="link-row">
                <td>{row.number}</td>
                <td>
                  <Link href={`/agreements/${row.id}`} prefetch={false}>
                    {row.title}
                  </Link>
                </td>
                <td>{row.customer}</td>
                <td className="amount">{showDecimal(row.sum)}</td>
                <td className="amount">
                  {list === 'to-bill' && (
                    <Link href={`/agreements/${row.id}/bill?due`} prefetch={false}>
                      Bill it
                    </Link>
                  )}
                  {list === 'held' && (
                    <Link href={`/agreements/${row.id}/bill?release`} prefetch={false}>
                      Release
                    </Link>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {money.invoices.length > 0 && (
        <table className="table-plain">
          <thead>
            <tr>
              <th>No.</th>
              <th>For</th>
              <th>Customer</th>
              <th>Issued</th>
              <th>Due</th>
              <th>State</th>
              <th className="amount">Total</th>
              <th className="amount">Open</th>
            </tr>
          </thead>
          <tbody>
            {money.invoices.map((row) => (
              <tr key={row.id} className="link-row">
                <td className="nowrap">
                  <Link href={`/money/${row.id}`} prefetch={false}>
                    {row.number}
                  </Link>
                </td>
                <td>
                  {row.what}
                  <div className="soft">{row.title}</div>
                </td>
                <td>{row.customer}</td>
                <td className="nowrap">{showShortDate(row.issuedOn)}</td>
                <td className="nowrap">{row.kind === 'credit note' ? '' : showShortDate(row.dueOn)}</td>
                <td>
                  <InvoiceState invoice={row} />
                </td>
                <td className="amount">{showDecimal(row.total)}</td>
                <td className="amount">{isNothing(row.open) ? '' : showDecimal(row.open)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {money.invoices.length >= SHOWN && (
        <p className="soft">
          {list === 'all' ? 'The newest' : 'Those due first,'} {SHOWN} are shown. Others are found by their
          number, customer or work.
        </p>
      )}
      {money.payments.length > 0 && (
        <>
          {list === 'all' && <h2>Received</h2>}
          <table className="table-plain">
            <tbody>
              {money.payments.map((row) => (
                <tr key={row.id}>
                  <td className="nowrap">{showShortDate(row.on)}</td>
                  <td>
                    <Link href={`/agreements/${row.agreementId}`} prefetch={false}>
                      {row.customer}
                    </Link>
                  </td>
                  <td>{methodName(row.method)}</td>
                  <td className="soft">{row.text}</td>
                  <td className="amount">{showDecimal(row.amount)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </div>
  );
}
