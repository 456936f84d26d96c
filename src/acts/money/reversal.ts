import { eq, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { allocation, payment, paymentReversal } from '@/data/schema';
import { allocatePayment } from '@/core/billing';
import type { Amount } from '@/core/number';
import { ZERO, parseAmount, sumAmounts, writeAmount } from '@/core/number';
import { ReversalInput } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, note } from '../actor';
import type { Issuer } from '../agreements/insertPaper';
import { loadAgreement } from '../agreements/money';
import { check } from '../check';
import { Problem } from '../problem';

interface Reversal {
  readonly paymentId: string;
  readonly reason: string;
  readonly on: string;
  readonly idempotencyKey: string;
}

/** Why a payment went back, where it did not come again; null: it is here. */
export function stillGone(
  reversals: readonly { readonly amount: string; readonly reason: string }[],
): string | null {
  const went = reversals.filter(({ amount }) => !amount.startsWith('-'));
  return went.length > reversals.length - went.length ? went.at(-1)!.reason : null;
}

/** A payment, its agreement locked, with what is on invoices, was paid back to the customer, and went back. */
async function paymentAsItStands(tx: Transaction, paymentId: string) {
  const [row] = await tx.select().from(payment).where(eq(payment.id, paymentId));
  if (!row) throw new Problem(404, 'There is no such payment.');
  const loaded = await loadAgreement(tx, row.agreementId, { lock: true });
  const money = (text: string) => parseAmount(text, loaded.digits);
  const reversals = await tx.select().from(paymentReversal).where(eq(paymentReversal.paymentId, row.id));
  const put = await tx
    .select({
      invoiceId: allocation.invoiceId,
      refundId: allocation.refundId,
      sum: sql<string>`sum(${allocation.amount})`,
    })
    .from(allocation)
    .where(eq(allocation.paymentId, row.id))
    .groupBy(allocation.invoiceId, allocation.refundId);
  return {
    loaded,
    amount: money(row.amount),
    gone: sumAmounts(reversals.map(({ amount }) => money(amount))),
    keys: reversals.map(({ idempotencyKey }) => idempotencyKey),
    onInvoices: put.flatMap(({ invoiceId, sum }) =>
      invoiceId === null || money(sum) === 0n ? [] : [{ id: invoiceId, amount: money(sum) }],
    ),
    refunded: sumAmounts(put.filter(({ refundId }) => refundId !== null).map(({ sum }) => money(sum))),
  };
}

/**
 * Takes a payment back that did not stay: a cheque returned, a card payment disputed. It comes off the invoices it was put
 * on, which are open again. What was paid back to the customer already stays where it is: the whole is refused then, unless
 * only the rest is to go. Locks the agreement. A repeat under the same key changes nothing.
 * @returns what went back
 */
export async function insertReversal(
  tx: Transaction,
  who: Issuer,
  given: Reversal,
  { restOnly = false } = {},
): Promise<Amount> {
  const { loaded, amount, gone, keys, onInvoices, refunded } = await paymentAsItStands(tx, given.paymentId);
  if (keys.includes(given.idempotencyKey)) return ZERO;
  if (amount - gone <= 0n) throw new Problem(409, 'This payment went back already.');
  if (refunded > 0n && !restOnly)
    throw new Problem(
      409,
      'Part of this payment was paid back to the customer; it cannot go back as a whole.',
    );
  const left = (amount - gone - refunded) as Amount;
  if (left <= 0n) return ZERO;
  await put(
    tx,
    who,
    loaded.digits,
    given.paymentId,
    onInvoices.map(({ id, amount: each }) => ({ id, amount: -each as Amount })),
  );
  await tx.insert(paymentReversal).values({
    companyId: who.companyId,
    id: newId(who.now),
    ...given,
    amount: writeAmount(left, loaded.digits),
    recordedBy: who.userId,
    recordedAt: who.now,
  });
  await note(tx, who, 'payment went back', given.paymentId, { reason: given.reason });
  return left;
}

/**
 * Brings a payment back that went back: a dispute that was won. It is put on open invoices again, oldest first; the rest is
 * the customer's credit. Locks the agreement. A repeat under the same key changes nothing.
 */
async function insertReturn(tx: Transaction, who: Issuer, given: Reversal): Promise<void> {
  const { loaded, gone, keys } = await paymentAsItStands(tx, given.paymentId);
  if (keys.includes(given.idempotencyKey) || gone === 0n) return;
  await tx.insert(paymentReversal).values({
    companyId: who.companyId,
    id: newId(who.now),
    ...given,
    amount: writeAmount(-gone as Amount, loaded.digits),
    recordedBy: who.userId,
    recordedAt: who.now,
  });
  const open = loaded.invoices.map(({ id, standing }) => ({ id, open: standing.open }));
  await put(tx, who, loaded.digits, given.paymentId, allocatePayment(gone, open).parts);
  await note(tx, who, 'payment came again', given.paymentId, { reason: given.reason });
}

async function put(
  tx: Transaction,
  who: Issuer,
  digits: number,
  paymentId: string,
  parts: readonly { readonly id: string; readonly amount: Amount }[],
): Promise<void> {
  for (const { id: invoiceId, amount } of parts)
    await tx.insert(allocation).values({
      companyId: who.companyId,
      id: newId(who.now),
      paymentId,
      invoiceId,
      amount: writeAmount(amount, digits),
      at: who.now,
    });
}

/**
 * Follows a dispute about a card payment: disputed or lost, it goes back; won, it comes again. What was noted by hand stays
 * as it was noted. Locks the agreement; where nothing is to be done, nothing changes.
 */
export async function followDispute(
  tx: Transaction,
  who: Issuer,
  given: Omit<Reversal, 'idempotencyKey'>,
  back: boolean,
): Promise<void> {
  const { amount, gone, keys } = await paymentAsItStands(tx, given.paymentId);
  const count = (word: string) => keys.filter((key) => key.startsWith(`${word}-`)).length;
  const [disputed, won] = [count('dispute'), count('won')];
  const key = (word: string) => `${word}-${given.paymentId}-${disputed}`;
  if (back && disputed === won && gone < amount)
    await insertReversal(tx, who, { ...given, idempotencyKey: key('dispute') }, { restOnly: true });
  if (!back && disputed > won) await insertReturn(tx, who, { ...given, idempotencyKey: key('won') });
}

/** Records that a payment went back. */
export async function reversePayment(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'owner', 'office');
  const given = check(ReversalInput, input, 'What happened');
  await inCompany(actor.companyId, (tx) => insertReversal(tx, actor, given));
}
