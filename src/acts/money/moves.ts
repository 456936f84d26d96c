import { and, eq, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { allocation, payment, paymentReversal, refund } from '@/data/schema';
import { allocatePayment } from '@/core/billing';
import type { Amount } from '@/core/number';
import { parseAmount, showAmount, sumAmounts, writeAmount } from '@/core/number';
import { CreditUseInput, RefundInput, ReversalInput } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, note } from '../actor';
import type { Issuer } from '../agreements/insertPaper';
import { loadAgreement } from '../agreements/money';
import { check } from '../check';
import { Problem } from '../problem';
import { sourcesOf, spend } from './credit';

/** An amount as it came in, in the decimals of the currency and above zero. */
export function readPositive(text: string, digits: number, currency: string): Amount {
  let amount: Amount;
  try {
    amount = parseAmount(text, digits);
  } catch {
    throw new Problem(422, `An amount in ${currency} has ${digits} decimals.`, {
      errors: [{ pointer: '/amount', detail: 'too many decimals' }],
    });
  }
  if (amount <= 0n)
    throw new Problem(422, 'Type the amount, above zero.', {
      errors: [{ pointer: '/amount', detail: 'must be above zero' }],
    });
  return amount;
}

/** Puts credit of the customer on open invoices of the agreement: on the one named, or oldest first. */
export async function putCredit(actor: Actor, input: unknown): Promise<{ put: string }> {
  allow(actor, 'owner', 'office');
  const { agreementId, invoiceId } = check(CreditUseInput, input, 'The credit');
  return inCompany(actor.companyId, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId, { lock: true });
    let sources = await sourcesOf(tx, loaded);
    const credit = sumAmounts(sources.map(({ left }) => left));
    if (credit <= 0n) throw new Problem(422, 'The customer has no credit on this agreement.');
    const open = loaded.invoices
      .filter(({ id }) => invoiceId === undefined || id === invoiceId)
      .map(({ id, amount, paid }) => ({ id, open: (amount - paid) as Amount }));
    const { parts } = allocatePayment(credit, open);
    if (parts.length === 0) throw new Problem(422, 'No invoice is open to put it on.');
    let put = 0n;
    for (const part of parts) {
      put += await spend(tx, actor, sources, { invoiceId: part.id }, part.amount, loaded.digits);
      sources = await sourcesOf(tx, loaded);
    }
    await note(tx, actor, 'credit used', agreementId, { amount: writeAmount(put as Amount, loaded.digits) });
    return { put: writeAmount(put as Amount, loaded.digits) };
  });
}

/** Pays credit of the customer back. A repeat under the same key changes nothing. */
export async function refundCredit(actor: Actor, input: unknown): Promise<{ id: string }> {
  allow(actor, 'owner', 'office');
  const given = check(RefundInput, input, 'The refund');
  return inCompany(actor.companyId, async (tx) => {
    const loaded = await loadAgreement(tx, given.agreementId, { lock: true });
    const [known] = await tx
      .select({ id: refund.id })
      .from(refund)
      .where(eq(refund.idempotencyKey, given.idempotencyKey));
    if (known) return known;
    const amount = readPositive(given.amount, loaded.digits, loaded.head.currency);
    const sources = await sourcesOf(tx, loaded);
    const credit = sumAmounts(sources.map(({ left }) => left));
    if (amount > credit)
      throw new Problem(
        422,
        `The customer’s credit is ${showAmount(credit, loaded.digits)}; no more can be paid back.`,
      );
    const id = newId(actor.now);
    await tx.insert(refund).values({
      companyId: actor.companyId,
      id,
      customerId: loaded.head.customerId,
      ...given,
      amount: writeAmount(amount, loaded.digits),
      recordedBy: actor.userId,
      recordedAt: actor.now,
    });
    await spend(tx, actor, sources, { refundId: id }, amount, loaded.digits);
    await note(tx, actor, 'refund recorded', id, { agreementId: given.agreementId, amount: given.amount });
    return { id };
  });
}

/**
 * Takes a payment back that did not stay: a cheque returned, a card payment disputed. It comes off the invoices it was put
 * on, which are open again. Locks the agreement. A repeat under the same key changes nothing.
 */
export async function insertReversal(
  tx: Transaction,
  who: Issuer,
  given: {
    readonly paymentId: string;
    readonly reason: string;
    readonly on: string;
    readonly idempotencyKey: string;
  },
): Promise<void> {
  const [row] = await tx.select().from(payment).where(eq(payment.id, given.paymentId));
  if (!row) throw new Problem(404, 'There is no such payment.');
  const loaded = await loadAgreement(tx, row.agreementId, { lock: true });
  const [known] = await tx
    .select({ id: paymentReversal.id })
    .from(paymentReversal)
    .where(eq(paymentReversal.idempotencyKey, given.idempotencyKey));
  if (known) return;
  const [gone] = await tx
    .select({ sum: sql<string>`coalesce(sum(${paymentReversal.amount}), 0)` })
    .from(paymentReversal)
    .where(eq(paymentReversal.paymentId, row.id));
  const left = parseAmount(row.amount, loaded.digits) - parseAmount(gone!.sum, loaded.digits);
  if (left <= 0n) throw new Problem(409, 'This payment went back already.');
  const put = await tx
    .select({
      invoiceId: allocation.invoiceId,
      refundId: allocation.refundId,
      sum: sql<string>`sum(${allocation.amount})`,
    })
    .from(allocation)
    .where(and(eq(allocation.paymentId, row.id)))
    .groupBy(allocation.invoiceId, allocation.refundId);
  if (put.some(({ refundId }) => refundId !== null))
    throw new Problem(
      409,
      'Part of this payment was paid back to the customer; it cannot go back as a whole.',
    );
  for (const { invoiceId, sum } of put) {
    const amount = parseAmount(sum, loaded.digits);
    if (amount === 0n) continue;
    await tx.insert(allocation).values({
      companyId: who.companyId,
      id: newId(who.now),
      paymentId: row.id,
      invoiceId,
      amount: writeAmount(-amount as Amount, loaded.digits),
      at: who.now,
    });
  }
  await tx.insert(paymentReversal).values({
    companyId: who.companyId,
    id: newId(who.now),
    ...given,
    amount: writeAmount(left as Amount, loaded.digits),
    recordedBy: who.userId,
    recordedAt: who.now,
  });
  await note(tx, who, 'payment went back', row.id, { reason: given.reason });
}

/** Records that a payment went back. */
export async function reversePayment(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'owner', 'office');
  const given = check(ReversalInput, input, 'What happened');
  await inCompany(actor.companyId, (tx) => insertReversal(tx, actor, given));
}
