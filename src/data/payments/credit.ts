import { and, asc, eq, inArray, isNotNull, or, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { creditByAgreement } from '../billing/moneySums';
import { agreement, allocation, payment, paymentReversal } from '../schema';
import type { Amount } from '@/core/number';
import { isBelowZero, moneyOf, parseAmount, sumAmounts, writeAmount } from '@/core/number';
import { newId } from '../newId';
import type { LoadedAgreement } from '@/core/billing';

/** Money or credit of the customer that is on no invoice: what is left of a payment, or of a credit note. */
export interface Source {
  readonly from: { readonly paymentId: string } | { readonly creditNoteId: string };
  readonly at: Date;
  readonly left: Amount;
}

/** What the customer has to their credit, and what they owe beside invoices. */
interface Balance {
  /** What is left of the payments and credit notes on an agreement, oldest first. */
  readonly sources: readonly Source[];
  /** What was paid back out of returned payments since: above zero, the customer owes it. */
  readonly debts: readonly { readonly paymentId: string; readonly owed: Amount }[];
}

async function balanceOf(tx: Transaction, loaded: LoadedAgreement): Promise<Balance> {
  const money = moneyOf(loaded.digits);
  const payments = await tx
    .select({ id: payment.id, at: payment.recordedAt, amount: payment.amount })
    .from(payment)
    .where(eq(payment.agreementId, loaded.head.id))
    .orderBy(asc(payment.recordedAt), asc(payment.id));
  const notes = loaded.papers.filter(({ kind }) => kind === 'credit note');
  const paymentIds = payments.map(({ id }) => id);
  const noteIds = notes.map(({ id }) => id);
  if (paymentIds.length + noteIds.length === 0) return { sources: [], debts: [] };
  const spent = await tx
    .select({
      id: sql<string>`coalesce(${allocation.paymentId}, ${allocation.creditNoteId})`,
      sum: sql<string>`sum(${allocation.amount})`,
    })
    .from(allocation)
    .where(or(inArray(allocation.paymentId, paymentIds), inArray(allocation.creditNoteId, noteIds)))
    .groupBy(sql`1`);
  const gone =
    paymentIds.length === 0
      ? []
      : await tx
          .select({ id: paymentReversal.paymentId, sum: sql<string>`sum(${paymentReversal.amount})` })
          .from(paymentReversal)
          .where(inArray(paymentReversal.paymentId, paymentIds))
          .groupBy(paymentReversal.paymentId);
  const away = (id: string) =>
    sumAmounts([...spent, ...gone].filter((row) => row.id === id).map(({ sum }) => money.parse(sum)));
  const ofPayments = payments.map(({ id, at, amount }) => ({
    from: { paymentId: id },
    at,
    left: (money.parse(amount) - away(id)) as Amount,
  }));
  const ofNotes = notes.map(({ id, issuedAt, amount }) => ({
    from: { creditNoteId: id },
    at: issuedAt,
    left: (-amount - away(id)) as Amount,
  }));
  return {
    sources: [...ofPayments, ...ofNotes]
      .filter(({ left }) => left > 0n)
      .sort((a, b) => a.at.getTime() - b.at.getTime()),
    debts: ofPayments.flatMap(({ from, left }) =>
      left < 0n ? [{ paymentId: from.paymentId, owed: -left as Amount }] : [],
    ),
  };
}

/**
 * What can be used of the customer's money and credit notes on an agreement, oldest first. What they owe beside invoices
 * comes off it first.
 */
export async function sourcesOf(tx: Transaction, loaded: LoadedAgreement): Promise<Source[]> {
  const { sources, debts } = await balanceOf(tx, loaded);
  let owed: bigint = sumAmounts(debts.map((debt) => debt.owed));
  return sources.flatMap((source) => {
    const off = source.left < owed ? source.left : owed;
    owed -= off;
    return source.left === off ? [] : [{ ...source, left: (source.left - off) as Amount }];
  });
}

/** What is left of each payment and credit note, oldest first, whatever the customer owes beside. */
export const idleOf = async (tx: Transaction, loaded: LoadedAgreement): Promise<readonly Source[]> =>
  (await balanceOf(tx, loaded)).sources;

/**
 * Puts what came in on what the customer owes beside invoices: refunds out of returned payments are taken out of it
 * instead.
 * @returns how much of it that took
 */
export async function coverDebts(
  tx: Transaction,
  who: { readonly companyId: string; readonly now: Date },
  loaded: LoadedAgreement,
  paymentId: string,
  most: Amount,
): Promise<Amount> {
  let left: bigint = most;
  for (const debt of (await balanceOf(tx, loaded)).debts) {
    if (left <= 0n) break;
    if (debt.paymentId === paymentId) continue;
    const part = (left < debt.owed ? left : debt.owed) as Amount;
    await moveRefunds(tx, who, loaded.digits, debt.paymentId, { paymentId }, part);
    left -= part;
  }
  return (most - left) as Amount;
}

/** Takes refunds out of another source than the payment they were taken out of. */
export async function moveRefunds(
  tx: Transaction,
  who: { readonly companyId: string; readonly now: Date },
  digits: number,
  paymentId: string,
  to: Source['from'],
  most: Amount,
): Promise<void> {
  const refunds = await tx
    .select({ refundId: allocation.refundId, sum: sql<string>`sum(${allocation.amount})` })
    .from(allocation)
    .where(and(eq(allocation.paymentId, paymentId), isNotNull(allocation.refundId)))
    .groupBy(allocation.refundId)
    .orderBy(allocation.refundId);
  let left: bigint = most;
  for (const { refundId, sum } of refunds) {
    const there = parseAmount(sum, digits);
    const part = there < left ? there : left;
    if (part <= 0n) continue;
    left -= part;
    const row = { companyId: who.companyId, refundId, at: who.now };
    await tx.insert(allocation).values([
      { ...row, id: newId(who.now), paymentId, amount: writeAmount(-part as Amount, digits) },
      { ...row, id: newId(who.now), ...to, amount: writeAmount(part as Amount, digits) },
    ]);
  }
}

/**
 * The customer's credit on an agreement: money received, and credit notes, that no invoice has taken yet. Below zero, they
 * owe it beside their invoices.
 */
export async function creditOf(tx: Transaction, loaded: LoadedAgreement): Promise<Amount> {
  const { sources, debts } = await balanceOf(tx, loaded);
  return sumAmounts([...sources.map(({ left }) => left), ...debts.map(({ owed }) => -owed as Amount)]);
}

/** The customer's credit on other agreements, as decimal text. */
export async function creditElsewhere(tx: Transaction, { head, digits }: LoadedAgreement) {
  const others = (await creditByAgreement(tx, head.customerId)).filter(
    ({ agreementId, sum }) => agreementId !== head.id && !isBelowZero(sum),
  );
  if (others.length === 0) return [];
  const rows = await tx
    .select({ id: agreement.id, number: agreement.number, title: agreement.title })
    .from(agreement)
    .where(
      inArray(
        agreement.id,
        others.map(({ agreementId }) => agreementId),
      ),
    )
    .orderBy(asc(agreement.number));
  return rows.map((row) => ({
    ...row,
    credit: writeAmount(
      parseAmount(others.find(({ agreementId }) => agreementId === row.id)!.sum, digits),
      digits,
    ),
  }));
}

type Target = { readonly invoiceId: string } | { readonly refundId: string };

/**
 * Puts credit on an invoice or a refund, the oldest first, up to an amount.
 * @returns what was put
 */
export async function spend(
  tx: Transaction,
  who: { readonly companyId: string; readonly now: Date },
  sources: readonly Source[],
  target: Target,
  most: Amount,
  digits: number,
): Promise<Amount> {
  let open: bigint = most;
  for (const { from, left } of sources) {
    if (open <= 0n) break;
    const part = left < open ? left : open;
    open -= part;
    await tx.insert(allocation).values({
      companyId: who.companyId,
      id: newId(who.now),
      ...from,
      ...target,
      amount: writeAmount(part as Amount, digits),
      at: who.now,
    });
  }
  return (most - open) as Amount;
}
