import { refundableOnCard } from '@/core/billing';
import type { LoadedAgreement } from '@/core/billing';
import { moneyOf, showAmount, sumAmounts, writeAmount } from '@/core/number';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { loadAgreement } from '@/data/agreements/load';
import { findCardPayments } from '@/data/payments/cardPayment';
import { sourcesOf, spend } from '@/data/payments/credit';
import { insertRefund, refundByIdempotencyKey } from '@/data/payments/refund';
import { companyOf } from '@/data/settings/company';
import { CardRefundInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, newId, recordAudit } from '../actor';
import { cardService } from '../cardService';
import { check } from '../check';
import { noSuch, Problem } from '../problem';
import { readPositive } from '../readPositive';
import { refuseOtherUnderKey } from '../sameAgain';

/** The customer’s credit on an agreement, and how much of it can go back on each card it was paid with. */
async function cardsOf(tx: Transaction, loaded: LoadedAgreement) {
  const money = moneyOf(loaded.digits);
  const sources = await sourcesOf(tx, loaded);
  const credit = sumAmounts(sources.map(({ left }) => left));
  const cards = (await findCardPayments(tx, loaded.head.id)).map((row) => ({
    ...row,
    most: refundableOnCard(money.parse(row.amount), money.parse(row.gone), money.parse(row.refunded), credit),
  }));
  return { sources, cards };
}

/** The cards credit of the customer can go back on, with how much at most, as decimal text. */
export async function cardsToRefund(tx: Transaction, loaded: LoadedAgreement) {
  return (await cardsOf(tx, loaded)).cards
    .filter(({ most }) => most > 0n)
    .map(({ id, lastFour, receivedOn, most }) => ({
      ...{ id, lastFour, receivedOn },
      most: writeAmount(most, loaded.digits),
    }));
}

/**
 * Gives credit of the customer back on the card it was paid with, through the card service. What is taken from first is what is
 * left of that payment. A repeat under the same key changes nothing: the service is asked under the key, too.
 * @throws Problem `card-refused`, `key-used`, `more-than-card`, `no-such-payment`
 */
export async function refundToCard(actor: Actor, input: unknown): Promise<{ id: string }> {
  allow(actor, 'money');
  const given = check(CardRefundInput, input, 'The refund');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, given.agreementId, { lock: true });
    const [known] = await refundByIdempotencyKey(tx, given.idempotencyKey);
    if (known) {
      refuseOtherUnderKey(known, given);
      return { id: known.id };
    }
    const amount = readPositive(given.amount, loaded.digits, loaded.head.currency);
    const { sources, cards } = await cardsOf(tx, loaded);
    const card = cards.find(({ id }) => id === given.paymentId);
    if (!card) throw noSuch('payment');
    if (amount > card.most)
      throw new Problem(
        'more-than-card',
        `At most ${showAmount(card.most, loaded.digits)} can go back on the card ending ${card.lastFour}.`,
      );
    const answer = cardService().refund({
      reference: given.idempotencyKey,
      charge: card.chargeId,
      lastFour: card.lastFour,
      amount: writeAmount(amount, loaded.digits),
      currency: loaded.head.currency,
    });
    if (answer.kind !== 'accepted')
      throw new Problem(
        'card-refused',
        `${answer.reason ?? 'The card service refused.'} Refund it another way.`,
      );
    const { timeZone } = await companyOf(tx, actor.companyId);
    const id = newId(actor.now);
    await insertRefund(tx, {
      companyId: actor.companyId,
      id,
      customerId: loaded.head.customerId,
      agreementId: given.agreementId,
      method: 'card',
      paymentId: card.id,
      amount: writeAmount(amount, loaded.digits),
      paidOn: businessDate(actor.now, timeZone),
      reference: `card ending ${card.lastFour}`,
      idempotencyKey: given.idempotencyKey,
      recordedBy: actor.userId,
      recordedAt: actor.now,
    });
    const itsOwn = ({ from }: (typeof sources)[number]) => 'paymentId' in from && from.paymentId === card.id;
    const ordered = [...sources.filter(itsOwn), ...sources.filter((source) => !itsOwn(source))];
    await spend(tx, actor, ordered, { refundId: id }, amount, loaded.digits);
    await recordAudit(tx, actor, 'refunded on a card', id, {
      agreementId: given.agreementId,
      amount: given.amount,
    });
    return { id };
  });
}
