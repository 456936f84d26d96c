'use client';

import Link from 'next/link';
import { useState } from 'react';
import type { InvoiceAtDesk } from '@/services/billing/invoiceAtDesk';
import { isNothing, showDecimal, withoutSign } from '@/core/number';
import { showDate, showShortDate } from '@/core/text/dates';
import type { Answer, CreditInput, MailInput } from '@/model';
import { CreditDialog } from './CreditDialog';
import { InvoiceHead } from './InvoiceHead';
import { CostsBeside, InAgreement, PaidWith } from './InvoiceParts';
import type { LateActions } from './LateNote';
import { LateNote } from './LateNote';
import type { RecordPayment } from '../payments/PaymentDialog';
import { PaymentDialog } from '../payments/PaymentDialog';
import { InvoiceLines } from './InvoiceLines';
import { SendDialog } from './SendDialog';

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
  mail: (input: MailInput) => Promise<Answer<{ to: string }>>;
  record: RecordPayment;
}) {
  const [taking, setTaking] = useState(false);
  const [paying, setPaying] = useState(false);
  const [sending, setSending] = useState(false);
  const { back } = invoice;
  return (
    <div className="page">
      <InvoiceHead
        invoice={invoice}
        send={() => setSending(true)}
        pay={() => setPaying(true)}
        credit={() => setTaking(true)}
      />
      {sending && invoice.letter && (
        <SendDialog invoice={invoice} letter={invoice.letter} mail={mail} close={() => setSending(false)} />
      )}
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
