import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { payment } from '@/data/schema';
import { allocatePayment } from '@/core/billing';
import type { Amount } from '@/core/number';
import { ZERO, moneyOf, parseAmount, sumAmounts, writeAmount } from '@/core/number';
import { ReversalInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, newId, recordAudit } from '../actor';
import type { Issuer } from '../billing/insertPaper';
import type { LoadedAgreement } from '@/core/billing';
import { loadAgreement } from '@/data/agreements/load';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { showDate } from '@/core/text/dates';
import { noSuch, Problem } from '../problem';
import { refuseOtherUnderKey } from '../sameAgain';
import { refuseFuture } from '../refuseFuture';
import type { Source } from '@/data/payments/credit';
import { idleOf, moveRefunds } from '@/data/payments/credit';
import { paymentById } from '@/data/payments/payment';
import {
  paymentReversalByPaymentId,
  insertPaymentReversal,
  paymentReversalByIdempotencyKey,
} from '@/data/payments/paymentReversal';
import { findUseOfPayment, findUseOnInvoices, insertAllocation } from '@/data/payments/allocation';

interface Reversal {
  readonly paymentId: string;
  /** Returned by the bank or the card’s holder; void: recorded by mistake, it never came. */
  readonly kind: 'returned' | 'void';
  readonly reason: string;
  readonly on: string;
  readonly idempotencyKey: string;
}

/**
 * A payment, its agreement locked, with what is on invoices, was paid back to the customer, and went back.
 * @throws Problem `no-such-payment`
 */
async function paymentAsItStands(tx: Transaction, paymentId: string) {
  const [row] = await paymentById(tx, paymentId);
  if (!row) throw noSuch('payment');
  const loaded = await loadAgreement(tx, row.agreementId, { lock: true });
  const money = moneyOf(loaded.digits);
  const reversals = await paymentReversalByPaymentId(tx, row.id);
  const put = await findUseOfPayment(tx, row.id);
  return {
    loaded,
    amount: money.parse(row.amount),
    gone: sumAmounts(reversals.map(({ amount }) => money.parse(amount))),
    keys: reversals.map(({ idempotencyKey }) => idempotencyKey),
    onInvoices: put.flatMap(({ invoiceId, sum }) =>
      invoiceId === null || money.parse(sum) === 0n ? [] : [{ id: invoiceId, amount: money.parse(sum) }],
    ),
    refunded: sumAmounts(put.filter(({ refundId }) => refundId !== null).map(({ sum }) => money.parse(sum))),
  };
}

/**
 * Reverses a payment: returned (a check, a card payment disputed), or void. It comes off the invoices it was put
 * on, which are open again. What was paid back of it to the customer is taken out of their other money then: what is on no
 * invoice first, then what is on invoices, the oldest first, which are open again; past that they owe it. Locks the
 * agreement. A repeat under the same key changes nothing.
 * @returns what went back
 * @throws Problem `payment-reversed`
 */
export async function insertReversal(tx: Transaction, who: Issuer, given: Reversal): Promise<Amount> {
  const { loaded, amount, gone, keys, onInvoices, refunded } = await paymentAsItStands(tx, given.paymentId);
  if (keys.includes(given.idempotencyKey)) return ZERO;
  const left = (amount - gone) as Amount;
  if (left <= 0n) throw new Problem('payment-reversed', 'This payment was returned or voided already.');
  await put(
    tx,
    who,
    loaded.digits,
    given.paymentId,
    onInvoices.map(({ id, amount: each }) => ({ id, amount: -each as Amount })),
  );
  await insertPaymentReversal(tx, {
    companyId: who.companyId,
    id: newId(who.now),
    ...given,
    amount: writeAmount(left, loaded.digits),
    recordedBy: who.userId,
    recordedAt: who.now,
  });
  if (refunded > 0n) await coverRefunded(tx, who, loaded, given.paymentId, refunded);
  await recordAudit(tx, who, given.kind === 'void' ? 'payment voided' : 'payment returned', given.paymentId, {
    reason: given.reason,
  });
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
  const paying = await findUseOnInvoices(
    tx,
    loaded.head.id,
    loaded.invoices.map(({ id }) => id),
  );
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
  await insertPaymentReversal(tx, {
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
  await recordAudit(tx, who, 'payment reinstated', given.paymentId, { reason: given.reason });
}

async function put(
  tx: Transaction,
  who: Issuer,
  digits: number,
  paymentId: string,
  parts: readonly { readonly id: string; readonly amount: Amount }[],
): Promise<void> {
  for (const { id: invoiceId, amount } of parts)
    await insertAllocation(tx, {
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
  about: Omit<Reversal, 'idempotencyKey' | 'kind'>,
  back: boolean,
): Promise<void> {
  const given = { ...about, kind: 'returned' as const };
  const { amount, gone, keys } = await paymentAsItStands(tx, given.paymentId);
  const count = (word: string) => keys.filter((key) => key.startsWith(`${word}-`)).length;
  const [disputed, won] = [count('dispute'), count('won')];
  const key = (word: string) => `${word}-${given.paymentId}-${disputed}`;
  if (back && disputed === won && gone < amount)
    await insertReversal(tx, who, { ...given, idempotencyKey: key('dispute') });
  if (!back && disputed > won) await insertReturn(tx, who, { ...given, idempotencyKey: key('won') });
}

/**
 * The day a reversal counts from.
 * @throws Problem `before-received`, `card-not-voidable`, `day-missing`
 */
function dayOfReversal(given: ReversalInput, row: typeof payment.$inferSelect, today: string): string {
  if (given.kind === 'void') {
    if (row.method === 'card')
      throw new Problem(
        'card-not-voidable',
        'The card service recorded this payment; it cannot be voided. Refund it instead.',
      );
    // What never came is not counted on any day.
    return row.receivedOn;
  }
  if (given.on === undefined) throw new Problem('day-missing', 'Say on which day it was returned.');
  refuseFuture(given.on, today);
  if (given.on < row.receivedOn)
    throw new Problem(
      'before-received',
      `It was received on ${showDate(row.receivedOn)}; it cannot have been returned before.`,
    );
  return given.on;
}

/**
 * Records that a payment was returned by the bank, or voids one that was recorded by mistake: from the day it bears on it
 * is counted nowhere. Both stay on record. A repeat under the same key changes nothing.
 * @throws Problem `no-such-payment`
 */
export async function reversePayment(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'money');
  const given = check(ReversalInput, input, 'What happened');
  await inCompany(actor, async (tx) => {
    const [row] = await paymentById(tx, given.paymentId);
    if (!row) throw noSuch('payment');
    const ours = await companyOf(tx, actor.companyId);
    const on = dayOfReversal(given, row, businessDate(actor.now, ours.timeZone));
    const reversal = { ...given, kind: given.kind ?? ('returned' as const), on };
    const [known] = await paymentReversalByIdempotencyKey(tx, given.idempotencyKey);
    if (known) refuseOtherUnderKey(known, reversal);
    else await insertReversal(tx, actor, reversal);
  });
}
