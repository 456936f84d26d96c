import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { LateCharge, LoadedAgreement, LoadedPaper, PutOn } from '@/core/billing';
import { lateCharge } from '@/core/billing';
import { ZERO, isBelowZero, negateAmount, parseAmount, showDecimal, writeAmount } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { EntityId } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, may } from '../actor';
import { insertRow } from './insertPaper';
import { agreementOfInvoice, loadAgreement } from '@/data/agreements/load';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { noSuch, Problem } from '../problem';
import { findPaymentsOfInvoice } from '@/data/payments/allocation';

type Bill = Pick<LoadedPaper, 'id' | 'kind' | 'amount' | 'dueOn' | 'lateTerms'>;

/** What was put on an invoice and taken off again, by day: money on the day it came in. */
async function putOn(tx: Transaction, invoiceId: string, timeZone: string, digits: number): Promise<PutOn[]> {
  const rows = await findPaymentsOfInvoice(tx, invoiceId);
  return rows.map(({ amount, at, receivedOn }) => ({
    on: receivedOn !== null && !isBelowZero(amount) ? receivedOn : businessDate(at, timeZone),
    amount: parseAmount(amount, digits),
  }));
}

/** What late payment of an invoice costs by a day, beside what was charged already; null: nothing. */
export async function lateOn(
  tx: Transaction,
  loaded: LoadedAgreement,
  bill: Bill,
  timeZone: string,
  today: string,
): Promise<LateCharge | null> {
  if (!bill.lateTerms || bill.dueOn >= today) return null;
  const charged = loaded.papers
    .filter(({ lateOf, id }) => lateOf === bill.id && !loaded.papers.some(({ credits }) => credits === id))
    .map(({ lateUntil }) => lateUntil!)
    .sort()
    .at(-1);
  return lateCharge(
    bill.lateTerms,
    { total: bill.amount, dueOn: bill.dueOn, put: await putOn(tx, bill.id, timeZone, loaded.digits) },
    today,
    charged ?? null,
    loaded.digits,
  );
}

/** The same for the desk, as decimal text. */
export async function lateFor(
  tx: Transaction,
  actor: Actor,
  loaded: LoadedAgreement,
  bill: Bill,
  timeZone: string,
) {
  const late = await lateOn(tx, loaded, bill, timeZone, businessDate(actor.now, timeZone));
  return late
    ? { ...late, amount: writeAmount(late.amount, loaded.digits), mayCharge: may(actor, 'money') }
    : null;
}

const LateInput = Type.Object({ invoiceId: EntityId }, { additionalProperties: false });

/**
 * Charges what late payment of an invoice costs by today: an invoice of its own, none of the agreement.
 * @throws Problem `no-such-invoice`, `nothing-to-charge`
 */
export async function chargeLate(actor: Actor, input: unknown): Promise<{ id: string; number: string }> {
  allow(actor, 'money');
  const { invoiceId } = check(LateInput, input, 'The late charge');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, await agreementOfInvoice(tx, invoiceId), { lock: true });
    const bill = loaded.invoices.find(({ id }) => id === invoiceId);
    if (!bill) throw noSuch('invoice');
    const { timeZone } = await companyOf(tx, actor.companyId);
    const late = await lateOn(tx, loaded, bill, timeZone, businessDate(actor.now, timeZone));
    if (!late)
      throw new Problem('nothing-to-charge', `Nothing is to be charged for invoice ${bill.label} by today.`);
    const terms = bill.lateTerms!;
    const { id, label } = await insertRow(tx, actor, loaded, {
      kind: 'late charge',
      entryId: null,
      countsTowardRetainage: false,
      title:
        terms.kind === 'fee'
          ? `Late fee for invoice ${bill.label}`
          : `Interest of ${showDecimal(terms.percent)} % a year on invoice ${bill.label}, ${showDate(late.from)} to ${showDate(late.until)}`,
      net: late.amount,
      tax: ZERO,
      lateOf: bill.id,
      lateUntil: late.until,
    });
    return { id, number: label };
  });
}

/**
 * Waives a late charge as a whole; it can be charged again.
 * @throws Problem `late-charge-waived`, `no-such-late-charge`
 */
export async function waiveLate(actor: Actor, input: unknown): Promise<{ id: string; number: string }> {
  allow(actor, 'money');
  const { invoiceId } = check(LateInput, input, 'The late charge');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, await agreementOfInvoice(tx, invoiceId), { lock: true });
    const bill = loaded.invoices.find(({ id }) => id === invoiceId);
    if (bill?.kind !== 'late charge') throw noSuch('late charge');
    if (loaded.papers.some(({ credits }) => credits === invoiceId))
      throw new Problem('late-charge-waived', `Invoice ${bill.label} was waived already.`);
    const { id, label } = await insertRow(
      tx,
      actor,
      loaded,
      {
        kind: 'credit note',
        entryId: null,
        countsTowardRetainage: false,
        title: bill.title,
        net: negateAmount(bill.amount),
        tax: ZERO,
      },
      { credits: invoiceId },
    );
    return { id, number: label };
  });
}
