import { readPositive } from '../readPositive';
import { inCompany } from '@/data/connection';
import { allocatePayment } from '@/core/billing';
import type { Amount } from '@/core/number';
import { showAmount, sumAmounts, writeAmount } from '@/core/number';
import { CreditUseInput, RefundInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, newId, recordAudit } from '../actor';
import { loadAgreement } from '@/data/agreements/load';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { Problem } from '../problem';
import { ownMethodName } from './ownMethod';
import { sourcesOf, spend } from '@/data/payments/credit';
import { refuseOtherUnderKey } from '../sameAgain';
import { refuseFuture } from '../refuseFuture';
import { refundByIdempotencyKey, insertRefund } from '@/data/payments/refund';

/**
 * Puts credit of the customer on open invoices of an agreement: on the one named, or oldest first. The credit is that of the
 * agreement, or of another one of the same customer.
 * @throws Problem `no-credit`, `nothing-open`, `other-customer`
 */
export async function putCredit(actor: Actor, input: unknown): Promise<{ put: string }> {
  allow(actor, 'money');
  const { agreementId, invoiceId, from = agreementId } = check(CreditUseInput, input, 'The credit');
  return inCompany(actor, async (tx) => {
    // Two agreements are locked in one order, whoever asks.
    for (const id of [...new Set([agreementId, from])].sort()) await loadAgreement(tx, id, { lock: true });
    const loaded = await loadAgreement(tx, agreementId);
    const giving = from === agreementId ? loaded : await loadAgreement(tx, from);
    if (giving.head.customerId !== loaded.head.customerId)
      throw new Problem('other-customer', 'That agreement is another customer’s.');
    let sources = await sourcesOf(tx, giving);
    const credit = sumAmounts(sources.map(({ left }) => left));
    if (credit <= 0n) throw new Problem('no-credit', 'The customer has no credit on this agreement.');
    const open = loaded.invoices
      .filter(({ id }) => invoiceId === undefined || id === invoiceId)
      .map(({ id, standing }) => ({ id, open: standing.open }));
    const { parts } = allocatePayment(credit, open);
    if (parts.length === 0) throw new Problem('nothing-open', 'No invoice is open to put it on.');
    let put = 0n;
    for (const part of parts) {
      put += await spend(tx, actor, sources, { invoiceId: part.id }, part.amount, loaded.digits);
      sources = await sourcesOf(tx, giving);
    }
    const amount = writeAmount(put as Amount, loaded.digits);
    await recordAudit(tx, actor, 'credit used', agreementId, { amount, from });
    return { put: amount };
  });
}

/**
 * Pays credit of the customer back. A repeat under the same key changes nothing.
 * @throws Problem `more-than-credit`
 */
export async function refundCredit(actor: Actor, input: unknown): Promise<{ id: string }> {
  allow(actor, 'money');
  const { methodName, ...given } = check(RefundInput, input, 'The refund');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, given.agreementId, { lock: true });
    const [known] = await refundByIdempotencyKey(tx, given.idempotencyKey);
    if (known) {
      refuseOtherUnderKey(known, given);
      return { id: known.id };
    }
    const ours = await companyOf(tx, actor.companyId);
    refuseFuture(given.paidOn, businessDate(actor.now, ours.timeZone));
    const amount = readPositive(given.amount, loaded.digits, loaded.head.currency);
    const sources = await sourcesOf(tx, loaded);
    const credit = sumAmounts(sources.map(({ left }) => left));
    if (amount > credit)
      throw new Problem(
        'more-than-credit',
        `The customer’s credit is ${showAmount(credit, loaded.digits)}; no more can be refunded.`,
      );
    const id = newId(actor.now);
    await insertRefund(tx, {
      companyId: actor.companyId,
      id,
      customerId: loaded.head.customerId,
      ...given,
      methodName: ownMethodName(ours.money, given.method, methodName),
      amount: writeAmount(amount, loaded.digits),
      recordedBy: actor.userId,
      recordedAt: actor.now,
    });
    await spend(tx, actor, sources, { refundId: id }, amount, loaded.digits);
    await recordAudit(tx, actor, 'refund recorded', id, {
      agreementId: given.agreementId,
      amount: given.amount,
    });
    return { id };
  });
}
