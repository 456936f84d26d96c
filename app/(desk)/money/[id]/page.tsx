import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { Problem } from '@/services/problem';
import { InvoicePage } from '@/desk/billing/InvoicePage';
import '@/desk/billing/bill/bill.css';
import { isId } from '@/model';
import { creditInvoiceAction, recordPaymentAction } from '../../../actions';
import { chargeLateAction, mailInvoiceAction, waiveLateAction } from '../../../moneyActions';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Invoice' };

export default async function InvoiceRoute({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const actor = await pageActor('prices');
  if (!isId(id)) notFound();
  const invoice = await readInvoice(actor, id).catch((error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  });
  return (
    <InvoicePage
      invoice={invoice}
      credit={creditInvoiceAction}
      late={{ charge: chargeLateAction, waive: waiveLateAction }}
      mail={mailInvoiceAction}
      record={recordPaymentAction}
    />
  );
}
