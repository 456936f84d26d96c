import { Button } from 'antd';
import Link from 'next/link';
import type { InvoiceAtDesk } from '@/services/billing/invoiceAtDesk';
import { isNothing } from '@/core/number';
import { LinkButton } from '@/ui/LinkButton';
import { HistoryOf } from '@/desk/history/HistoryOf';
import { InvoiceState } from './InvoiceState';

const names = {
  invoice: 'Invoice',
  advance: 'Invoice',
  release: 'Invoice',
  'late charge': 'Invoice',
  'credit note': 'Credit note',
} as const;

/** Which invoice it is, of what, how it stands, and what can be done with it. */
export function InvoiceHead({
  invoice,
  send,
  pay,
  credit,
}: {
  readonly invoice: InvoiceAtDesk;
  readonly send: () => void;
  readonly pay: () => void;
  readonly credit: () => void;
}) {
  const { id, kind } = invoice;
  const isCredit = kind === 'credit note';
  return (
    <header className="page-head">
      <h1>
        {names[kind]} {invoice.number}
      </h1>
      <InvoiceState invoice={invoice} />
      <span className="soft">
        {invoice.title} ·{' '}
        <Link href={`/agreements/${invoice.agreementId}`} prefetch={false}>
          {invoice.agreement.title}
        </Link>
      </span>
      <span className="page-actions">
        <HistoryOf id={id} />
        {!isCredit && <Button onClick={send}>Send</Button>}
        {!isCredit && !isNothing(invoice.open) && invoice.mayRecord && (
          <Button type="primary" onClick={pay}>
            Record payment
          </Button>
        )}
        {invoice.back && <Button onClick={credit}>Credit note</Button>}
        {invoice.ofAgreement && (
          <LinkButton download href={`/api/v1/invoices/${id}/statement.pdf`}>
            Progress statement
          </LinkButton>
        )}
        <LinkButton download href={`/api/v1/invoices/${id}/invoice.xml`}>
          UBL
        </LinkButton>
        <LinkButton download href={`/api/v1/invoices/${id}/invoice.pdf`}>
          PDF
        </LinkButton>
      </span>
    </header>
  );
}
