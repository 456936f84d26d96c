import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { parseAmount, writeAmount } from '@/core/number';
import type { ChargeStanding } from '@/core/billing';
import { CardCodeInput, CardInput } from '@/model';
import type { ChargeAnswer } from '@/gateways/cards';
import { lastFourOf, simulatedCards } from '@/gateways/cards';
import { businessDate, newId } from '../actor';
import { insertInvoice } from '../billing/issue';
import { loadAgreement } from '@/data/agreements/load';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { takeTry } from '../limit';
import type { Charge } from '../payments/cards';
import { applyCardEvent } from '../payments/cards';
import { onItsWay, standingsOf } from '@/data/payments/onItsWay';
import { noSuch, Problem } from '../problem';
import { refuseOtherUnderKey } from '../sameAgain';
import { openDeposit } from './agreed';
import type { Visitor } from './open';
import { agreementByProposalId } from '@/data/agreements/agreement';
import { cardChargeByIdempotencyKey, findChargeUnderKey, insertCardCharge } from '@/data/payments/cardCharge';

const CARD_TRIES = 10;

/** Paid, or not and why, or not yet: the bank wants a code from the card's holder, or answers later. */
export type CardAnswer =
  | { readonly paid: true; readonly amount: string }
  | { readonly paid: false; readonly reason: string }
  | { readonly paid: null; readonly waitsFor: 'code' | 'bank'; readonly amount: string };

const answerOf = ({ amount }: Charge, { state, taken, reason }: ChargeStanding): CardAnswer =>
  taken
    ? { paid: true, amount }
    : state === 'needs confirmation' || state === 'delayed'
      ? { paid: null, waitsFor: state === 'delayed' ? 'bank' : 'code', amount }
      : { paid: false, reason: reason ?? '' };

/**
 * The agreement behind the link.
 * @throws Problem `not-accepted`
 */
async function signedOf(tx: Transaction, visitor: Visitor): Promise<string> {
  const [signed] = await agreementByProposalId(tx, visitor.proposalId);
  if (!signed) throw new Problem('not-accepted', 'Accept the proposal first; then it can be paid.');
  return signed.id;
}

/** A key of one link is nothing to another. */
const keyOf = ({ linkId }: Visitor, key: string): string => `${linkId}:${key}`;

/**
 * Pays an open invoice of the visitor's agreement by card, or its deposit (whose invoice is issued now if it was not), for
 * exactly what is open. A repeat under the same key gets the same answer and takes no money twice: the charge is noted
 * before the service is asked, and asked again under the same reference where an answer was lost.
 */
export async function payByCard(visitor: Visitor, input: unknown): Promise<CardAnswer> {
  const card = check(CardInput, input, 'The card');
  const key = keyOf(visitor, card.idempotencyKey);
  await takeTry(`card:${visitor.linkId}`, CARD_TRIES, visitor.now);
  const { charge, standing, ...asked } = await inCompany(visitor.companyId, async (tx) => {
    const agreementId = await signedOf(tx, visitor);
    const { head } = await loadAgreement(tx, agreementId, { lock: true });
    const ours = await companyOf(tx, visitor.companyId);
    const more = { currency: head.currency, today: businessDate(visitor.now, ours.timeZone) };
    const [known] = await cardChargeByIdempotencyKey(tx, key);
    if (known) {
      refuseOtherUnderKey(known, {
        lastFour: lastFourOf(card.number),
        ...(card.invoiceId === undefined ? {} : { invoiceId: card.invoiceId }),
      });
      return { charge: known, standing: (await standingsOf(tx, [known.id])).get(known.id)!, ...more };
    }
    const { invoiceId, amount } = await toPay(tx, visitor, agreementId, card.invoiceId);
    const made: Charge = {
      companyId: visitor.companyId,
      id: newId(visitor.now),
      invoiceId,
      idempotencyKey: key,
      amount,
      lastFour: lastFourOf(card.number),
      at: visitor.now,
    };
    await insertCardCharge(tx, made);
    return { charge: made, standing: null, ...more };
  });
  if (standing && standing.state !== 'asked') return answerOf(charge, standing);
  const answer = simulatedCards.charge({
    reference: charge.id,
    number: card.number,
    expiry: card.expiry,
    amount: charge.amount,
    ...asked,
  });
  return answerOf(charge, await heard(visitor, charge, 'answer', answer));
}

/**
 * Goes on with a payment that needs a code of the bank. A repeat gets the same answer.
 * @throws Problem `no-such-payment`, `paid-meanwhile`
 */
export async function confirmCard(visitor: Visitor, input: unknown): Promise<CardAnswer> {
  const { code, idempotencyKey } = check(CardCodeInput, input, 'The code');
  await takeTry(`card:${visitor.linkId}`, CARD_TRIES, visitor.now);
  const { charge, standing, open, digits } = await inCompany(visitor.companyId, async (tx) => {
    const agreementId = await signedOf(tx, visitor);
    const [found] = await findChargeUnderKey(tx, keyOf(visitor, idempotencyKey), agreementId);
    if (!found) throw noSuch('payment');
    const loaded = await loadAgreement(tx, agreementId);
    const bill = loaded.invoices.find(({ id }) => id === found.charge.invoiceId)!;
    return {
      ...found,
      standing: (await standingsOf(tx, [found.charge.id])).get(found.charge.id)!,
      open: bill.standing.open,
      digits: loaded.digits,
    };
  });
  if (standing.state !== 'needs confirmation') return answerOf(charge, standing);
  if (open < parseAmount(charge.amount, digits))
    throw new Problem('paid-meanwhile', 'This was paid in another way meanwhile; nothing was taken.');
  const answer = simulatedCards.confirm({ reference: charge.id, code });
  return answerOf(charge, await heard(visitor, charge, 'confirmed', answer));
}

/** Notes the service's answer to what we asked. */
const heard = (visitor: Visitor, charge: Charge, what: string, { kind, reason }: ChargeAnswer) =>
  inCompany(visitor.companyId, (tx) =>
    applyCardEvent(tx, visitor, charge, { id: `${charge.id}:${what}`, kind, reason, at: visitor.now }),
  );

/**
 * What is paid: an invoice and what is open of it, less what is on its way. Issues the deposit's invoice.
 * @throws Problem `no-deposit-due`, `no-such-invoice`, `paid-already`, `payment-on-its-way`
 */
async function toPay(tx: Transaction, visitor: Visitor, agreementId: string, invoiceId: string | undefined) {
  let loaded = await loadAgreement(tx, agreementId);
  let id = invoiceId;
  if (id === undefined) {
    const deposit = openDeposit(loaded);
    if (!deposit)
      throw loaded.payments.some(({ kind, due }) => kind === 'deposit' && due.on === 'acceptance')
        ? new Problem('paid-already', 'The deposit is paid already. Thank you.')
        : new Problem('no-deposit-due', 'No deposit is due.');
    if (!deposit.bill) {
      await insertInvoice(tx, visitor, agreementId, { entryId: deposit.entryId });
      loaded = await loadAgreement(tx, agreementId);
    }
    // The customer's credit may have paid it as it was issued.
    id = openDeposit(loaded)?.bill?.id;
    if (id === undefined) throw new Problem('paid-already', 'The deposit is paid already. Thank you.');
  }
  const bill = loaded.invoices.find((each) => each.id === id);
  if (!bill) throw noSuch('invoice');
  const waits = (await onItsWay(tx, [bill.id], loaded.digits, visitor.now)).get(bill.id)!;
  if (waits > 0n)
    throw new Problem(
      'payment-on-its-way',
      'A payment of this invoice is on its way; your bank has not answered yet.',
    );
  const { open } = bill.standing;
  if (open <= 0n) throw new Problem('paid-already', `Invoice ${bill.label} is paid already. Thank you.`);
  return { invoiceId: bill.id, amount: writeAmount(open, loaded.digits) };
}
