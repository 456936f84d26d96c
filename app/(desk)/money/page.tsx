import type { Metadata } from 'next';
import Link from 'next/link';
import { readMoney } from '@/acts/money/invoices';
import { isNothing, showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import { StateMark } from '@/ui/StateMark';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Money' };

export default async function MoneyPage() {
  const money = await readMoney(await pageActor());
  return (
    <div className="page">
      <header className="page-head">
        <h1>Money</h1>
      </header>
      <div className="figures">
        <div>
          <div className="figure-name">Out</div>
          <div className="figure-value">{showDecimal(money.out)}</div>
        </div>
        <div>
          <div className="figure-name">Overdue</div>
          <div className={isNothing(money.overdue) ? 'figure-value' : 'figure-value wrong'}>
            {showDecimal(money.overdue)}
          </div>
        </div>
        <div>
          <div className="figure-name">Received this month</div>
          <div className="figure-value">{showDecimal(money.receivedThisMonth)}</div>
        </div>
      </div>
      <h2>Invoices</h2>
      {money.invoices.length === 0 ? (
        <p className="empty">No invoice yet. They are issued on the page of an agreement.</p>
      ) : (
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
                <td>
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
                <td className="nowrap">{showShortDate(row.dueOn)}</td>
                <td>
                  <StateMark state={row.overdue ? 'overdue' : row.state} />
                </td>
                <td className="amount">{showDecimal(row.total)}</td>
                <td className="amount">{isNothing(row.open) ? '' : showDecimal(row.open)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <h2>Received</h2>
      <table className="table-plain">
        <tbody>
          {money.payments.map((row) => (
            <tr key={row.id}>
              <td className="nowrap">{showShortDate(row.receivedOn)}</td>
              <td>{row.customer}</td>
              <td>{row.method}</td>
              <td className="soft">{row.reference}</td>
              <td className="amount">{showDecimal(row.amount)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
