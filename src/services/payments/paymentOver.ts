import { sumAmounts, writeAmount } from '@/core/number';
import { loadAgreement } from '@/data/agreements/load';
import { inCompany } from '@/data/connection';
import { paymentByIdempotencyKey } from '@/data/payments/payment';
import { companyOf } from '@/data/settings/company';
import { PaymentOverInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, recordAudit } from '../actor';
import { check } from '../check';
import { noSuch, Problem } from '../problem';
import { readPositive } from '../readPositive';
import { refuseFuture } from '../refuseFuture';
import { ownMethodName } from './ownMethod';
import { refuseOtherUnderKey } from '../sameAgain';
import { doubtsOf, insertPayment, refuseDoubtful } from './payments';

/**
 * Records one sum that a customer paid for several of their agreements: a payment on each, of one day, method and reference,
 * put on its open invoices, the oldest first. All of it or nothing. A repeat under the same key changes nothing.
 * @throws Problem `amount-not-positive`, `key-used`, `looks-recorded`, `no-such-agreement`, `not-well-formed`,
 * `parts-not-whole`, `too-many-decimals`
 */
export async function recordPaymentOver(actor: Actor, input: unknown): Promise<{ ids: string[] }> {
  allow(actor, 'money');
  const {
    customerId,
    parts,
    sure,
    amount: whole,
    idempotencyKey,
    methodName,
    ...received
  } = check(PaymentOverInput, input, 'The payment');
  // Locked in one order, whoever else pays: nobody waits for each other.
  const sorted = [...parts].sort((a, b) => (a.agreementId < b.agreementId ? -1 : 1));
  if (new Set(sorted.map(({ agreementId }) => agreementId)).size < sorted.length)
    throw new Problem('not-well-formed', 'The payment: an agreement stands in it twice.');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    refuseFuture(received.receivedOn, businessDate(actor.now, ours.timeZone));
    const doubts: string[] = [];
    const all = [];
    let repeated = 0;
    for (const { agreementId, amount: text } of sorted) {
      const loaded = await loadAgreement(tx, agreementId, { lock: true });
      if (loaded.head.customerId !== customerId) throw noSuch('agreement');
      const amount = readPositive(text, loaded.digits, loaded.head.currency);
      const given = {
        ...received,
        agreementId,
        amount: writeAmount(amount, loaded.digits),
        idempotencyKey: `${idempotencyKey}-${agreementId.slice(-12)}`,
      };
      const [known] = await paymentByIdempotencyKey(tx, given.idempotencyKey);
      if (known) {
        refuseOtherUnderKey(known, given);
        repeated += 1;
      } else if (!sure)
        for (const doubt of await doubtsOf(tx, actor, loaded, { ...given, amount }, ours.timeZone))
          doubts.push(sorted.length === 1 ? doubt : `${loaded.head.title}: ${doubt}`);
      const named = { ...given, methodName: ownMethodName(ours.money, given.method, methodName) };
      all.push({ given: named, amount, digits: loaded.digits, currency: loaded.head.currency });
    }
    const [first] = all;
    if (sumAmounts(all.map(({ amount }) => amount)) !== readPositive(whole, first!.digits, first!.currency))
      throw new Problem('parts-not-whole', 'The parts do not come to what was received.');
    if (repeated > 0 && repeated < all.length)
      throw new Problem(
        'key-used',
        'Part of this came under this idempotency key before. Nothing was recorded; send it under a key of its own.',
      );
    refuseDoubtful(doubts);
    const ids: string[] = [];
    for (const { given } of all) ids.push((await insertPayment(tx, actor, given)).id);
    if (all.length > 1 && repeated === 0)
      await recordAudit(tx, actor, 'payment shared out', customerId, { amount: whole, payments: ids });
    return { ids };
  });
}
