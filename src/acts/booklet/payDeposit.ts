import { eq } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { agreement, cardCharge } from '@/data/schema';
import { writeAmount } from '@/core/number';
import { CardInput } from '@/model';
import { simulatedCards } from '@/outside/cards';
import { businessDate, newId, note } from '../actor';
import { insertInvoice } from '../agreements/issue';
import { loadAgreement } from '../agreements/money';
import { check } from '../check';
import { openDeposit } from './agreed';
import { companyOf } from '../company';
import { takeTry } from '../limit';
import { insertPayment } from '../money/payments';
import { Problem } from '../problem';
import type { Visitor } from './open';

const CARD_TRIES = 10;

export type DepositAnswer =
  { readonly paid: true; readonly amount: string } | { readonly paid: false; readonly reason: string };

/**
 * Pays the deposit of the visitor's agreement by card, for exactly what is open on its invoice (issued now if it was
 * not). A repeat under the same key gets the same answer and takes no money twice.
 */
export async function payDeposit(visitor: Visitor, input: unknown): Promise<DepositAnswer> {
  const card = check(CardInput, input, 'The card');
  const bucket = `card:${visitor.linkId}`;
  await takeTry(bucket, CARD_TRIES, visitor.now);
  return inCompany(visitor.companyId, async (tx): Promise<DepositAnswer> => {
    const [signed] = await tx
      .select({ id: agreement.id })
      .from(agreement)
      .where(eq(agreement.proposalId, visitor.proposalId));
    if (!signed) throw new Problem(409, 'Accept the proposal first; then the deposit can be paid.');
    let loaded = await loadAgreement(tx, signed.id, { lock: true });

    const [asked] = await tx
      .select()
      .from(cardCharge)
      .where(eq(cardCharge.idempotencyKey, card.idempotencyKey));
    if (asked)
      return asked.answer === 'accepted'
        ? { paid: true, amount: asked.amount }
        : { paid: false, reason: asked.reason ?? '' };

    const deposit = openDeposit(loaded);
    if (!deposit)
      throw new Problem(
        409,
        loaded.payments.some(({ kind, due }) => kind === 'deposit' && due.on === 'acceptance')
          ? 'The deposit is paid already. Thank you.'
          : 'No deposit is due.',
      );
    if (!deposit.bill) {
      await insertInvoice(tx, visitor, signed.id, { entryId: deposit.entryId });
      loaded = await loadAgreement(tx, signed.id);
    }
    const bill = openDeposit(loaded)?.bill;
    // The customer's credit may have paid it as it was issued.
    if (!bill) throw new Problem(409, 'The deposit is paid already. Thank you.');
    const open = bill.amount - bill.paid;

    const ours = await companyOf(tx, visitor.companyId);
    const today = businessDate(visitor.now, ours.timeZone);
    const amount = writeAmount(open as never, loaded.digits);
    const charged = simulatedCards.charge({ ...card, amount, currency: loaded.head.currency, today });
    const chargeId = newId(visitor.now);
    await tx.insert(cardCharge).values({
      companyId: visitor.companyId,
      id: chargeId,
      invoiceId: bill.id,
      idempotencyKey: card.idempotencyKey,
      amount,
      lastFour: charged.lastFour,
      answer: charged.answer,
      reason: charged.reason,
      at: visitor.now,
    });
    if (charged.answer === 'refused') {
      await note(tx, visitor, 'card refused', bill.id, { chargeId });
      return { paid: false, reason: charged.reason };
    }
    await insertPayment(
      tx,
      visitor,
      {
        agreementId: signed.id,
        method: 'card',
        amount,
        receivedOn: today,
        reference: `card ending ${charged.lastFour}`,
        idempotencyKey: `card-${card.idempotencyKey}`,
      },
      { first: bill.id },
    );
    return { paid: true, amount };
  });
}
