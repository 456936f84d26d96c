import { and, eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { allocation, payment } from '@/data/schema';
import { allocatePayment } from '@/core/billing';
import { parseAmount, writeAmount } from '@/core/number';
import { PaymentInput } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, note } from '../actor';
import type { Issuer } from '../agreements/issue';
import { loadAgreement } from '../agreements/money';
import { check } from '../check';
import { Problem } from '../problem';

interface Received {
  readonly agreementId: string;
  readonly method: 'card' | 'cheque' | 'transfer' | 'cash';
  readonly amount: string;
  readonly receivedOn: string;
  readonly reference: string;
  readonly idempotencyKey: string;
}

/**
 * Stores money received on an agreement and puts it on its open invoices, oldest first (or the one named first). What is
 * over stays as the customer's credit. A repeat under the same key changes nothing.
 */
export async function insertPayment(tx: Transaction, who: Issuer, received: Received, firstInvoice?: string) {
  const loaded = await loadAgreement(tx, received.agreementId, { lock: true });
  const [known] = await tx
    .select({ id: payment.id })
    .from(payment)
    .where(and(eq(payment.companyId, who.companyId), eq(payment.idempotencyKey, received.idempotencyKey)));
  if (known) return { id: known.id, repeated: true };

  const amount = parseAmount(received.amount, loaded.digits);
  const open = loaded.invoices
    .map((each) => ({ id: each.id, open: (each.amount - each.paid) as never }))
    .sort((a, b) => Number(b.id === firstInvoice) - Number(a.id === firstInvoice));
  const { parts } = allocatePayment(amount, open);
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
  const received = check(PaymentInput, input, 'The payment');
  return inCompany(actor.companyId, async (tx) => {
    const { head, digits } = await loadAgreement(tx, received.agreementId);
    let amount;
    try {
      amount = parseAmount(received.amount, digits);
    } catch {
      throw new Problem(422, `An amount in ${head.currency} has ${digits} decimals.`, {
        errors: [{ pointer: '/amount', detail: 'too many decimals' }],
      });
    }
    if (amount <= 0n)
      throw new Problem(422, 'Type the amount that came in.', {
        errors: [{ pointer: '/amount', detail: 'must be above zero' }],
      });
    const { id } = await insertPayment(tx, actor, { ...received, amount: writeAmount(amount, digits) });
    return { id };
  });
}
