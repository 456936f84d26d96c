import { and, eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { allocation, payment } from '@/data/schema';
import { allocatePayment } from '@/core/billing';
import type { Amount } from '@/core/number';
import { parseAmount, showAmount, sumAmounts, writeAmount } from '@/core/number';
import { PaymentInput } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, note } from '../actor';
import type { Issuer } from '../agreements/issue';
import { loadAgreement } from '../agreements/money';
import { check } from '../check';
import { Problem } from '../problem';
import { readPositive } from './moves';

interface Received {
  readonly agreementId: string;
  readonly method: 'card' | 'cheque' | 'transfer' | 'cash';
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
 */
export async function insertPayment(tx: Transaction, who: Issuer, received: Received, where: Where = {}) {
  const loaded = await loadAgreement(tx, received.agreementId, { lock: true });
  const [known] = await tx
    .select({ id: payment.id })
    .from(payment)
    .where(and(eq(payment.companyId, who.companyId), eq(payment.idempotencyKey, received.idempotencyKey)));
  if (known) return { id: known.id, repeated: true };

  const amount = parseAmount(received.amount, loaded.digits);
  const open = loaded.invoices.map((each) => ({ id: each.id, open: each.standing.open }));
  const parts = where.parts ?? allocatePayment(amount, firstOf(open, where.first)).parts;
  for (const part of parts) {
    const found = open.find(({ id }) => id === part.id);
    if (!found) throw new Problem(404, 'This invoice is not one of the agreement.');
    if (part.amount > found.open)
      throw new Problem(
        422,
        `Only ${showAmount(found.open, loaded.digits)} of invoice ${loaded.invoices.find(({ id }) => id === part.id)!.label} is open.`,
      );
  }
  const id = newId(who.now);
  await tx.insert(payment).values({
    companyId: who.companyId,
    id,
    customerId: loaded.head.customerId,
    ...received,
    recordedBy: who.userId,
    recordedAt: who.now,
  });
  if (parts.length > 0)
    await tx.insert(allocation).values(
      parts.map((part) => ({
        companyId: who.companyId,
        id: newId(who.now),
        paymentId: id,
        invoiceId: part.id,
        amount: writeAmount(part.amount, loaded.digits),
        at: who.now,
      })),
    );
  await note(tx, who, 'payment recorded', id, {
    agreementId: received.agreementId,
    amount: received.amount,
    method: received.method,
  });
  return { id, repeated: false };
}

/** Records a cheque, a transfer or cash. */
export async function recordPayment(actor: Actor, input: unknown): Promise<{ id: string }> {
  allow(actor, 'owner', 'office');
  const { parts, first, ...received } = check(PaymentInput, input, 'The payment');
  return inCompany(actor.companyId, async (tx) => {
    const { head, digits, invoices } = await loadAgreement(tx, received.agreementId);
    if (first !== undefined && !invoices.some(({ id }) => id === first))
      throw new Problem(404, 'This invoice is not one of the agreement.');
    const amount = readPositive(received.amount, digits, head.currency);
    const byHand = parts?.map(({ invoiceId, amount: part }) => ({
      id: invoiceId,
      amount: readPositive(part, digits, head.currency),
    }));
    if (byHand && sumAmounts(byHand.map((part) => part.amount)) > amount)
      throw new Problem(422, 'More is put on invoices than came in.');
    const { id } = await insertPayment(
      tx,
      actor,
      { ...received, amount: writeAmount(amount, digits) },
      byHand ? { parts: byHand } : first !== undefined ? { first } : {},
    );
    return { id };
  });
}
