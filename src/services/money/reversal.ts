import { and, eq, inArray, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { allocation, payment, paymentReversal } from '@/data/schema';
import { allocatePayment } from '@/core/billing';
import type { Amount } from '@/core/number';
import { ZERO, parseAmount, sumAmounts, writeAmount } from '@/core/number';
import { ReversalInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, newId, recordAudit } from '../actor';
import type { Issuer } from '../agreements/insertPaper';
import type { LoadedAgreement } from '../agreements/money';
import { loadAgreement } from '../agreements/money';
import { check } from '../check';
import { companyOf } from '../company';
import { showDate } from '@/core/text/dates';
import { Problem } from '../problem';
import { refuseOtherUnderKey } from '../sameAgain';
import { refuseFuture } from './days';
import type { Source } from './credit';
import { idleOf, moveRefunds } from './credit';

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
 * Takes a payment back that did not stay: a check returned, a card payment disputed. It comes off the invoices it was put
 * on, which are open again. What was paid back of it to the customer is taken out of their other money then: what is on no
 * invoice first, then what is on invoices, the oldest first, which are open again; past that they owe it. Locks the
 * agreement. A repeat under the same key changes nothing.
 * @returns what went back
 */
export async function insertReversal(tx: Transaction, who: Issuer, given: Reversal): Promise<Amount> {
  const { loaded, amount, gone, keys, onInvoices, refunded } = await paymentAsItStands(tx, given.paymentId);
  if (keys.includes(given.idempotencyKey)) return ZERO;
  const left = (amount - gone) as Amount;
  if (left <= 0n) throw new Problem(409, 'This payment was returned already.');
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
  if (refunded > 0n) await coverRefunded(tx, who, loaded, given.paymentId, refunded);
  await recordAudit(tx, who, 'payment went back', given.paymentId, { reason: given.reason });
  return left;
}

/** Takes what was paid back out of a payment that is gone out of other money of the customer on the agreement. */
async function coverRefunded(
  tx: Transaction,
  who: Issuer,
  loaded: LoadedAgreement,
  paymentId: string,
  refunded: Amount,
): Promise<void> {
  let owed: bigint = refunded;
  const move = async (to: Source['from'], most: Amount): Promise<Amount> => {
    const part = (most < owed ? most : owed) as Amount;
    owed -= part;
    await moveRefunds(tx, who, loaded.digits, paymentId, to, part);
    return part;
  };
  for (const { from, left } of await idleOf(tx, loaded))
    if (owed > 0n && !('paymentId' in from && from.paymentId === paymentId)) await move(from, left);
  if (owed <= 0n) return;
  const paying = await tx
    .select({
      paymentId: allocation.paymentId,
      invoiceId: allocation.invoiceId,
      sum: sql<string>`sum(${allocation.amount})`,
    })
    .from(allocation)
    .innerJoin(
      payment,
      and(eq(payment.companyId, allocation.companyId), eq(payment.id, allocation.paymentId)),
    )
    .where(
      and(
        eq(payment.agreementId, loaded.head.id),
        inArray(
          allocation.invoiceId,
          loaded.invoices.map(({ id }) => id),
        ),
      ),
    )
    .groupBy(allocation.paymentId, allocation.invoiceId);
  // Papers stand in the order of their issue.
  for (const { id } of loaded.invoices)
    for (const row of paying.filter(({ invoiceId }) => invoiceId === id)) {
      const there = parseAmount(row.sum, loaded.digits);
      if (owed <= 0n || there <= 0n || row.paymentId === paymentId) continue;
      const part = (there < owed ? there : owed) as Amount;
      await put(tx, who, loaded.digits, row.paymentId!, [{ id, amount: -part as Amount }]);
      await move({ paymentId: row.paymentId! }, part);
    }
}

/**
 * Brings a payment back that went back: a dispute that was won. It is put on open invoices again, oldest first; the rest is
 * the customer's credit. Locks the agreement. A repeat under the same key changes nothing.
 */
async function insertReturn(tx: Transaction, who: Issuer, given: Reversal): Promise<void> {
  const { loaded, gone, keys, refunded } = await paymentAsItStands(tx, given.paymentId);
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
  await put(
    tx,
    who,
    loaded.digits,
    given.paymentId,
    allocatePayment((gone - refunded) as Amount, open).parts,
  );
  await recordAudit(tx, who, 'payment came again', given.paymentId, { reason: given.reason });
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
    await insertReversal(tx, who, { ...given, idempotencyKey: key('dispute') });
  if (!back && disputed > won) await insertReturn(tx, who, { ...given, idempotencyKey: key('won') });
}

/** Records that a payment went back. */
export async function reversePayment(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'owner', 'office');
  const given = check(ReversalInput, input, 'What happened');
  await inCompany(actor.companyId, async (tx) => {
    const [row] = await tx.select().from(payment).where(eq(payment.id, given.paymentId));
    if (!row) throw new Problem(404, 'There is no such payment.');
    const ours = await companyOf(tx, actor.companyId);
    refuseFuture(given.on, businessDate(actor.now, ours.timeZone));
    if (given.on < row.receivedOn)
      throw new Problem(
        422,
        `It was received on ${showDate(row.receivedOn)}; it cannot have been returned before.`,
      );
    const [known] = await tx
      .select()
      .from(paymentReversal)
      .where(eq(paymentReversal.idempotencyKey, given.idempotencyKey));
    if (known) refuseOtherUnderKey(known, given);
    else await insertReversal(tx, actor, given);
  });
}
