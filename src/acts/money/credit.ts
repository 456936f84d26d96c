import { asc, eq, inArray, or, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { creditByAgreement } from '@/data/moneySums';
import { agreement, allocation, payment, paymentReversal } from '@/data/schema';
import type { Amount } from '@/core/number';
import { parseAmount, sumAmounts, writeAmount } from '@/core/number';
import { newId } from '../actor';
import type { LoadedAgreement } from '../agreements/money';

/** Money or credit of the customer that is on no invoice: what is left of a payment, or of a credit note. */
export interface Source {
  readonly from: { readonly paymentId: string } | { readonly creditNoteId: string };
  readonly at: Date;
  readonly left: Amount;
}

/** What is left of the payments and credit notes on an agreement, oldest first. */
export async function sourcesOf(tx: Transaction, loaded: LoadedAgreement): Promise<Source[]> {
  const money = (text: string) => parseAmount(text, loaded.digits);
  const payments = await tx
    .select({ id: payment.id, at: payment.recordedAt, amount: payment.amount })
    .from(payment)
    .where(eq(payment.agreementId, loaded.head.id))
    .orderBy(asc(payment.recordedAt), asc(payment.id));
  const notes = loaded.papers.filter(({ kind }) => kind === 'credit note');
  const paymentIds = payments.map(({ id }) => id);
  const noteIds = notes.map(({ id }) => id);
  if (paymentIds.length + noteIds.length === 0) return [];
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
    sumAmounts([...spent, ...gone].filter((row) => row.id === id).map(({ sum }) => money(sum)));
  return [
    ...payments.map(({ id, at, amount }): Source => ({
      from: { paymentId: id },
      at,
      left: (money(amount) - away(id)) as Amount,
    })),
    ...notes.map(({ id, issuedAt, amount }): Source => ({
      from: { creditNoteId: id },
      at: issuedAt,
      left: (-amount - away(id)) as Amount,
    })),
  ]
    .filter(({ left }) => left > 0n)
    .sort((a, b) => a.at.getTime() - b.at.getTime());
}

/** The customer's credit on an agreement: money received, and credit notes, that no invoice has taken yet. */
export async function creditOf(tx: Transaction, loaded: LoadedAgreement): Promise<Amount> {
  return sumAmounts((await sourcesOf(tx, loaded)).map(({ left }) => left));
}

/** The customer's credit on other agreements, as decimal text. */
export async function creditElsewhere(tx: Transaction, { head, digits }: LoadedAgreement) {
  const others = (await creditByAgreement(tx, head.customerId)).filter(
    ({ agreementId, sum }) => agreementId !== head.id && !sum.startsWith('-'),
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
