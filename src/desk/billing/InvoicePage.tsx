'use client';

import { App, Button } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { InvoiceAtDesk } from '@/services/billing/invoiceAtDesk';
import { isNothing, showDecimal, withoutSign } from '@/core/number';
import { showDate, showShortDate } from '@/core/text/dates';
import type { Answer, CreditInput } from '@/model';
import { LinkButton } from '@/ui/LinkButton';
import { CreditDialog } from './CreditDialog';
import { InvoiceState } from './InvoiceState';
import { CostsBeside, InAgreement, PaidWith } from './InvoiceParts';
import type { LateActions } from './LateNote';
import { LateNote } from './LateNote';
import type { RecordPayment } from '../payments/PaymentDialog';
import { PaymentDialog } from '../payments/PaymentDialog';
import { asked } from '@/ui/asked';
import { InvoiceLines } from './InvoiceLines';

const names = {
  invoice: 'Invoice',
  advance: 'Invoice',
  release: 'Invoice',
  'late charge': 'Invoice',
  'credit note': 'Credit note',
} as const;

/** An issued invoice or credit note as the desk sees it. It never changes; a credit note takes it back. */
export function InvoicePage({
  invoice,
  credit,
  late,
  mail,
  record,
}: {
  invoice: InvoiceAtDesk;
  credit: (input: CreditInput) => Promise<Answer<{ id: string; number: string }>>;
  late: LateActions;
  mail: (input: { invoiceId: string }) => Promise<Answer<{ to: string }>>;
  record: RecordPayment;
}) {
  const { message } = App.useApp();
  const send = async () => {
    const answer = await asked(mail({ invoiceId: invoice.id }));
    if (answer.ok) void message.success(`It is sent to ${answer.value.to}.`);
    else void message.error(answer.problem.detail);
  };
  const [taking, setTaking] = useState(false);
  const [paying, setPaying] = useState(false);
  const toPay = invoice.kind !== 'credit note' && !isNothing(invoice.open);
  const { back } = invoice;
  return (
    <div className="page">
      <header className="page-head">
        <h1>
          {names[invoice.kind]} {invoice.number}
        </h1>
        <InvoiceState invoice={invoice} />
        <span className="soft">
          {invoice.title} ·{' '}
          <Link href={`/agreements/${invoice.agreementId}`} prefetch={false}>
            {invoice.agreement.title}
          </Link>
        </span>
        <span className="page-actions">
          {invoice.kind !== 'credit note' && <Button onClick={() => void send()}>Send</Button>}
          {toPay && invoice.mayRecord && (
            <Button type="primary" onClick={() => setPaying(true)}>
              Record payment
            </Button>
          )}
          {back && <Button onClick={() => setTaking(true)}>Credit note</Button>}
          {invoice.ofAgreement && (
            <LinkButton download href={`/api/v1/invoices/${invoice.id}/statement.pdf`}>
              Progress statement
            </LinkButton>
          )}
          <LinkButton download href={`/api/v1/invoices/${invoice.id}/invoice.xml`}>
            UBL
          </LinkButton>
          <LinkButton download href={`/api/v1/invoices/${invoice.id}/invoice.pdf`}>
            PDF
          </LinkButton>
        </span>
      </header>
      {invoice.credits && (
        <p>
          Credits{' '}
          <Link className="link-in-text" href={`/money/${invoice.credits.id}`} prefetch={false}>
            invoice {invoice.credits.number}
          </Link>{' '}
          of {showDate(invoice.credits.issuedOn)}.
        </p>
      )}
      {invoice.notes.map((note) => (
        <p key={note.id}>
          <Link className="link-in-text" href={`/money/${note.id}`} prefetch={false}>
            Credit note {note.number}
          </Link>{' '}
          of {showShortDate(note.issuedOn)} credits {showDecimal(withoutSign(note.total))}
          {note.remark && `: ${note.remark}`}
        </p>
      ))}
      {invoice.remark && <p className="soft">{invoice.remark}</p>}
      <div className="columns-2">
        <InvoiceLines invoice={invoice} />
        <aside>
          <div className="panel">
            <h2>To {invoice.buyer.name}</h2>
            <p className="soft no-above">
              Issued {showDate(invoice.issuedOn)}
              {invoice.kind !== 'credit note' && `, due ${showDate(invoice.dueOn)}`}
            </p>
            <dl className="pairs">
              <dt>Net</dt>
              <dd>{showDecimal(invoice.net)}</dd>
              {invoice.components
                .filter(({ amount }) => !isNothing(amount))
                .flatMap((tax, i) => [
                  <dt key={`${i}-name`}>
                    {tax.name} {showDecimal(tax.percent)} %
                  </dt>,
                  <dd key={i}>{showDecimal(tax.amount)}</dd>,
                ])}
              <dt className="sum">Total</dt>
              <dd className="sum">{showDecimal(invoice.total)}</dd>
              {invoice.kind !== 'credit note' && (
                <>
                  <PaidWith settled={invoice.settled} />
                  <dt className="sum">Open</dt>
                  <dd className="sum">{showDecimal(invoice.open)}</dd>
                </>
              )}
            </dl>
            <LateNote invoice={invoice} actions={late} />
            {invoice.ofAgreement && <InAgreement invoice={invoice} />}
            {invoice.costs.rows.length > 0 && <CostsBeside costs={invoice.costs} />}
          </div>
        </aside>
      </div>
      {paying && (
        <PaymentDialog
          on={{ ...invoice, invoices: [invoice], first: invoice.id }}
          record={record}
          close={() => setPaying(false)}
        />
      )}
      {taking && back && (
        <CreditDialog invoice={{ ...invoice, back }} credit={credit} close={() => setTaking(false)} />
      )}
    </div>
  );
}
