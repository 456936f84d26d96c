import type { PaymentMethod } from '@/model';
import { readPositive } from '../readPositive';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { allocatePayment } from '@/core/billing';
import type { Amount } from '@/core/number';
import { ZERO, parseAmount, showAmount, subtractAmounts, sumAmounts, writeAmount } from '@/core/number';
import { PaymentInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, newId, recordAudit } from '../actor';
import type { Issuer } from '../billing/issue';
import type { LoadedAgreement } from '@/core/billing';
import { loadAgreement } from '@/data/agreements/load';
import { showDate } from '@/core/text/dates';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { Problem } from '../problem';
import { coverDebts } from '@/data/payments/credit';
import { refuseOtherUnderKey } from '../sameAgain';
import { refuseFuture } from '../refuseFuture';
import { onItsWay } from '@/data/payments/onItsWay';
import {
  findPaymentByKey,
  insertPaymentRow,
  paymentByIdempotencyKey,
  findAlikePayments,
} from '@/data/payments/payment';
import { ownMethodName } from './ownMethod';
import { insertAllocation } from '@/data/payments/allocation';

interface Received {
  readonly agreementId: string;
  readonly method: PaymentMethod;
  readonly methodName?: string | null;
  readonly amount: string;
  readonly receivedOn: string;
  readonly reference: string;
  readonly idempotencyKey: string;
}

/** Where money goes: on one invoice before the others, or on invoices as somebody said. */
interface Where {
  readonly first?: string;
  readonly parts?: readonly { readonly id: string; readonly amount: Amount }[];
}

const firstOf = <T extends { readonly id: string }>(open: readonly T[], first: string | undefined): T[] =>
  [...open].sort((a, b) => Number(b.id === first) - Number(a.id === first));

/**
 * Stores money received on an agreement and puts it on its open invoices, oldest first, the one named first, or as was said. What is
 * over stays as the customer's credit. A repeat under the same key changes nothing.
 * @throws Problem `more-than-open`, `no-such-invoice`
 */
export async function insertPayment(tx: Transaction, who: Issuer, received: Received, where: Where = {}) {
  const loaded = await loadAgreement(tx, received.agreementId, { lock: true });
  const [known] = await findPaymentByKey(tx, who.companyId, received.idempotencyKey);
  if (known) return { id: known.id, repeated: true };

  const amount = parseAmount(received.amount, loaded.digits);
  const id = newId(who.now);
  const open = loaded.invoices.map((each) => ({ id: each.id, open: each.standing.open }));
  for (const part of where.parts ?? []) {
    const found = open.find(({ id: of }) => of === part.id);
    if (!found) throw new Problem('no-such-invoice', 'This invoice is not one of the agreement.');
    if (part.amount > found.open)
      throw new Problem(
        'more-than-open',
        `Only ${showAmount(found.open, loaded.digits)} of invoice ${loaded.invoices.find(({ id: of }) => of === part.id)!.label} is open.`,
      );
  }
  await insertPaymentRow(tx, {
    companyId: who.companyId,
    id,
    customerId: loaded.head.customerId,
    ...received,
    recordedBy: who.userId,
    recordedAt: who.now,
  });
  // What the customer owes beside invoices comes first, unless somebody said where it goes.
  const covered = where.parts ? ZERO : await coverDebts(tx, who, loaded, id, amount);
  const parts =
    where.parts ?? allocatePayment(subtractAmounts(amount, covered), firstOf(open, where.first)).parts;
  if (parts.length > 0)
    await insertAllocation(
      tx,
      parts.map((part) => ({
        companyId: who.companyId,
        id: newId(who.now),
        paymentId: id,
        invoiceId: part.id,
        amount: writeAmount(part.amount, loaded.digits),
        at: who.now,
      })),
    );
  await recordAudit(tx, who, 'payment recorded', id, {
    agreementId: received.agreementId,
    amount: received.amount,
    method: received.method,
  });
  return { id, repeated: false };
}

/**
 * Records a check, a transfer or cash.
 * @throws Problem `more-than-received`, `no-such-invoice`, `unknown-method`
 */
export async function recordPayment(actor: Actor, input: unknown): Promise<{ id: string }> {
  allow(actor, 'money');
  const { parts, first, sure, methodName, ...given } = check(PaymentInput, input, 'The payment');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, given.agreementId, { lock: true });
    const { head, digits, invoices } = loaded;
    const [known] = await paymentByIdempotencyKey(tx, given.idempotencyKey);
    if (known) {
      refuseOtherUnderKey(known, given);
      return { id: known.id };
    }
    const ours = await companyOf(tx, actor.companyId);
    const received = { ...given, methodName: ownMethodName(ours.money, given.method, methodName) };
    refuseFuture(received.receivedOn, businessDate(actor.now, ours.timeZone));
    if (first !== undefined && !invoices.some(({ id }) => id === first))
      throw new Problem('no-such-invoice', 'This invoice is not one of the agreement.');
    const amount = readPositive(received.amount, digits, head.currency);
    const byHand = parts?.map(({ invoiceId, amount: part }) => ({
      id: invoiceId,
      amount: readPositive(part, digits, head.currency),
    }));
    if (byHand && sumAmounts(byHand.map((part) => part.amount)) > amount)
      throw new Problem('more-than-received', 'More is put on invoices than came in.');
    if (!sure) refuseDoubtful(await doubtsOf(tx, actor, loaded, { ...received, amount }, ours.timeZone));
    const { id } = await insertPayment(
      tx,
      actor,
      { ...received, amount: writeAmount(amount, digits) },
      byHand ? { parts: byHand } : first !== undefined ? { first } : {},
    );
    return { id };
  });
}

/**
 * What may be a slip is asked about once: the answer names what is odd, and the same payment said to be sure is recorded.
 * @throws Problem `looks-recorded`
 */
export function refuseDoubtful(doubts: readonly string[]): void {
  if (doubts.length > 0) throw new Problem('looks-recorded', doubts.join(' '), { context: { doubts } });
}

/** What is odd about a payment on an agreement, in sentences. */
export async function doubtsOf(
  tx: Transaction,
  actor: Actor,
  loaded: LoadedAgreement,
  given: { readonly amount: Amount; readonly receivedOn: string; readonly reference: string },
  timeZone: string,
): Promise<string[]> {
  const { digits, head, invoices } = loaded;
  const money = (value: Amount) => `${showAmount(value, digits)} ${head.currency}`;
  const doubts: string[] = [];
  const signedOn = businessDate(head.acceptedAt, timeZone);
  if (given.receivedOn < signedOn)
    doubts.push(
      `${showDate(given.receivedOn)} is before the agreement was signed, on ${showDate(signedOn)}.`,
    );
  const open = sumAmounts(invoices.map(({ standing }) => standing.open));
  if (given.amount > open)
    doubts.push(
      open > 0n
        ? `It is more than the ${money(open)} that are open; the balance is kept as customer credit.`
        : 'No invoice is open; it is kept as customer credit.',
    );
  const alike = await findAlikePayments(tx, head.id, given, digits);
  if (alike.length > 0)
    doubts.push('The same amount of the same day with the same reference is recorded already.');
  const waits = await onItsWay(
    tx,
    invoices.map(({ id }) => id),
    digits,
    actor.now,
  );
  for (const { id, label } of invoices) {
    const waiting = waits.get(id) ?? ZERO;
    if (waiting > 0n)
      doubts.push(
        `A card payment of ${money(waiting)} on invoice ${label} is on its way; the bank has not answered.`,
      );
  }
  return doubts;
}
