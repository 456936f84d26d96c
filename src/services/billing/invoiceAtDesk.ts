import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { creditable, isOverdue } from '@/core/billing';
import { moneyOf, parseAmount, sumAmounts, writeAmount } from '@/core/number';
import type { Actor } from '../actor';
import { allow, businessDate, may } from '../actor';
import { ledgerForDesk } from '@/core/billing/ledgerForDesk';
import { agreementOfInvoice, loadAgreement } from '@/data/agreements/load';
import { companyOf } from '@/data/settings/company';
import { recipientsOf } from '../customers/recipients';
import { attachable } from './attachments';
import { letterFacts } from './invoiceLetter';
import { isLate, paperOf } from './paper';
import { lateFor } from './late';
import { settledWith } from '@/data/payments/settledWith';
import { findCostsOfInvoice } from '@/data/jobCosting/costInvoice';

/** One invoice or credit note for the desk. */
export async function readInvoice(actor: Actor, invoiceId: string) {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, await agreementOfInvoice(tx, invoiceId));
    const money = moneyOf(loaded.digits);
    const row = loaded.papers.find(({ id }) => id === invoiceId)!;
    const ours = await companyOf(tx, actor.companyId);
    const { timeZone } = ours;
    const bill = loaded.invoices.find(({ id }) => id === invoiceId);
    const today = businessDate(actor.now, timeZone);
    const mayRecord = may(actor, 'money');
    const notes = loaded.papers.filter(({ credits }) => credits === invoiceId);
    const left =
      row.kind === 'credit note' || isLate(loaded, row) ? null : creditable(loaded.ledger, invoiceId);
    const lines = new Map(loaded.lines.map((line) => [line.id, line]));
    return {
      ...paperOf(loaded, row),
      id: invoiceId,
      agreementId: loaded.head.id,
      state: row.standing.state,
      credits: row.credits === null ? null : { id: row.credits, ...paperOf(loaded, row).credits! },
      notes: notes.map(({ id, label, issuedOn, total, remark }) => ({
        id,
        number: label,
        issuedOn,
        total,
        remark,
      })),
      seen: loaded.papers.length,
      today,
      mayRecord,
      settled: await settledWith(tx, invoiceId, loaded.digits, timeZone),
      costs: await costsBeside(tx, invoiceId, loaded.digits),
      overdue: isOverdue(row.standing, row.dueOn, today),
      late: await lateFor(tx, actor, loaded, row, timeZone),
      /** The letter it would be sent with today; null for a credit note. */
      letter: bill
        ? {
            ...(await letterFacts(tx, actor, loaded, bill)),
            to: (await recipientsOf(tx, loaded.head.customerId, 'invoices')).to,
            words: ours.money.letter ?? '',
            ...(await attachable(tx, loaded.head.id, ours)),
          }
        : null,
      /** A late charge that nothing took back yet. */
      mayWaive: row.kind === 'late charge' && notes.length === 0 && mayRecord,
      /** What can be taken back of it, for who may do that; null: nothing. */
      back:
        left && (left.work !== 0n || left.total > 0n) && mayRecord
          ? {
              ledger: ledgerForDesk(loaded),
              total: money.write(left.total),
              work: money.write(left.work),
              lines: left.lines
                .filter(({ net }) => net !== 0n)
                .map(({ id, net }) => ({
                  id,
                  description: lines.get(id)!.description,
                  section: lines.get(id)!.sectionTitle,
                  net: money.write(net),
                })),
            }
          : null,
    };
  });
}

/** Costs that were put beside an invoice, and their sum. For us alone. */
async function costsBeside(tx: Transaction, invoiceId: string, digits: number) {
  const rows = await findCostsOfInvoice(tx, invoiceId);
  const sum = sumAmounts(rows.map(({ amount }) => parseAmount(amount, digits)));
  return { rows, sum: writeAmount(sum, digits) };
}

export type InvoiceAtDesk = Awaited<ReturnType<typeof readInvoice>>;
