import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { readInvoice } from '@/acts/money/invoices';
import { Problem } from '@/acts/problem';
import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { LinkButton } from '@/ui/LinkButton';
import { StateMark } from '@/ui/StateMark';
import { isId } from '@/model';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Invoice' };

export default async function InvoicePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const actor = await pageActor();
  if (!isId(id)) notFound();
  const invoice = await readInvoice(actor, id).catch((error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  });
  return (
    <div className="page">
      <header className="page-head">
        <h1>Invoice {invoice.number}</h1>
        <StateMark state={invoice.state} />
        <span className="soft">
          {invoice.title} ·{' '}
          <Link href={`/agreements/${invoice.agreement.id}`} prefetch={false}>
            {invoice.agreement.title}
          </Link>
        </span>
        <span className="page-actions">
          <LinkButton download href={`/api/v1/invoices/${id}/invoice.xml`}>
            UBL
          </LinkButton>
          <LinkButton download href={`/api/v1/invoices/${id}/invoice.pdf`}>
            PDF
          </LinkButton>
        </span>
      </header>
      <div className="columns-2">
        <table className="table-plain" style={{ alignSelf: 'start' }}>
          <thead>
            <tr>
              <th>Work</th>
              <th className="amount">Agreed</th>
              <th className="amount">This invoice</th>
            </tr>
          </thead>
          <tbody>
            {invoice.lines.map((line) => (
              <tr key={line.id}>
                <td>
                  {line.description} <span className="soft">{line.section}</span>
                </td>
                <td className="amount">{showDecimal(line.agreed)}</td>
                <td className="amount">{showDecimal(line.net)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <aside>
          <div className="panel">
            <h2>To {invoice.buyer.name}</h2>
            <p className="soft" style={{ marginTop: 0 }}>
              Issued {showDate(invoice.issuedOn)}, due {showDate(invoice.dueOn)}
            </p>
            <dl className="pairs">
              <dt>Net</dt>
              <dd>{showDecimal(invoice.net)}</dd>
              {invoice.components
                .filter(({ amount }) => !isNothing(amount))
                .flatMap((tax) => [
                  <dt key={`${tax.key}-name`}>
                    {tax.name} {showDecimal(tax.percent)} %
                  </dt>,
                  <dd key={tax.key}>{showDecimal(tax.amount)}</dd>,
                ])}
              <dt className="sum">Total</dt>
              <dd className="sum">{showDecimal(invoice.total)}</dd>
              <dt>Paid</dt>
              <dd>{showDecimal(invoice.paid)}</dd>
              <dt>Open</dt>
              <dd>{showDecimal(invoice.open)}</dd>
            </dl>
            <h2 style={{ marginTop: 18 }}>In the agreement</h2>
            <dl className="pairs">
              <dt>Contract sum</dt>
              <dd>{showDecimal(invoice.contractSum)}</dd>
              <dt>Billed before</dt>
              <dd>{showDecimal(invoice.billedBefore)}</dd>
              <dt>This invoice</dt>
              <dd>{showDecimal(invoice.total)}</dd>
              <dt className="sum">Left to bill</dt>
              <dd className="sum">{showDecimal(invoice.leftAfter)}</dd>
            </dl>
          </div>
        </aside>
      </div>
    </div>
  );
}
