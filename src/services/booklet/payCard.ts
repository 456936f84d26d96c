import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { parseAmount, writeAmount } from '@/core/number';
import type { ChargeStanding, LoadedAgreement } from '@/core/billing';
import { CardCodeInput, CardInput, CardPageInput } from '@/model';
import type { ChargeAnswer } from '@/gateways/cards/cards';
import { newId } from '../actor';
import { insertInvoice } from '../billing/issue';
import { loadAgreement } from '@/data/agreements/load';
import { cardService } from '../cardService';
import { check } from '../check';
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

/** So many pages of the service are opened from one link in a while. */
const PAGES = 40;

/**
 * A page of the card service for an open invoice of the visitor's agreement, or its deposit: there the number of the card is
 * typed. Nothing is billed or taken by it.
 * @param back where the visitor comes back to
 * @returns where it is
 */
export async function openCardPage(
  visitor: Visitor,
  input: unknown,
  back: string,
): Promise<{ readonly address: string }> {
  const { invoiceId, idempotencyKey } = check(CardPageInput, input, 'The payment');
  await takeTry(`card-page:${visitor.linkId}`, PAGES, visitor.now);
  const { head, ...asked } = await inCompany(visitor.companyId, async (tx) => {
    const loaded = await loadAgreement(tx, await signedOf(tx, visitor));
    const { bill, amount } = await payable(tx, visitor, loaded, invoiceId);
    return { head: loaded.head, what: bill ? `Invoice ${bill.label}` : 'Deposit', amount };
  });
  const address = cardService().page(
    {
      ...{ ...asked, what: `${asked.what}, ${head.title}`, currency: head.currency },
      back,
      mark: `${idempotencyKey} ${invoiceId ?? ''}`.trim(),
    },
    visitor.now,
  );
  return { address };
}

/**
 * Pays an open invoice of the visitor's agreement by card, or its deposit (whose invoice is issued now if it was not), for
 * exactly what is open. A repeat under the same key gets the same answer and takes no money twice: the charge is noted
 * before the service is asked, and asked again under the same reference where an answer was lost. The number of the card is
 * never here: its holder typed it at the service.
 * @throws Problem `card-page-over`
 */
export async function payByCard(visitor: Visitor, input: unknown): Promise<CardAnswer> {
  const given = check(CardInput, input, 'The card');
  const key = keyOf(visitor, given.idempotencyKey);
  const cards = cardService();
  const card = cards.card(given.card, visitor.now);
  await takeTry(`card:${visitor.linkId}`, CARD_TRIES, visitor.now);
  const { charge, standing, ...asked } = await inCompany(visitor.companyId, async (tx) => {
    const agreementId = await signedOf(tx, visitor);
    const { head } = await loadAgreement(tx, agreementId, { lock: true });
    const more = { currency: head.currency };
    const [known] = await cardChargeByIdempotencyKey(tx, key);
    if (known) {
      refuseOtherUnderKey(known, {
        ...(card ? { lastFour: card.lastFour } : {}),
        ...(given.invoiceId === undefined ? {} : { invoiceId: given.invoiceId }),
      });
      return { charge: known, standing: (await standingsOf(tx, [known.id])).get(known.id)!, ...more };
    }
    // What was asked before is answered, however old the card's page is by now.
    if (!card)
      throw new Problem('card-page-over', 'What the card service said of this card is too old. Begin again.');
    const { invoiceId, amount } = await toPay(tx, visitor, agreementId, given.invoiceId);
    const made: Charge = {
      companyId: visitor.companyId,
      id: newId(visitor.now),
      invoiceId,
      idempotencyKey: key,
      amount,
      lastFour: card.lastFour,
      at: visitor.now,
    };
    await insertCardCharge(tx, made);
    return { charge: made, standing: null, ...more };
  });
  if (standing && standing.state !== 'asked') return answerOf(charge, standing);
  const answer = cards.charge({
    reference: charge.id,
    card: given.card,
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
  const answer = cardService().confirm({ reference: charge.id, code });
  return answerOf(charge, await heard(visitor, charge, 'confirmed', answer));
}

/** Notes the service's answer to what we asked. */
const heard = (visitor: Visitor, charge: Charge, what: string, { kind, reason }: ChargeAnswer) =>
  inCompany(visitor.companyId, (tx) =>
    applyCardEvent(tx, visitor, charge, { id: `${charge.id}:${what}`, kind, reason, at: visitor.now }),
  );

/**
 * What can be paid: an invoice and what is open of it, less what is on its way; or the deposit, whose invoice may not be there
 * yet. Decimal text.
 * @throws Problem `no-deposit-due`, `no-such-invoice`, `paid-already`, `payment-on-its-way`
 */
async function payable(
  tx: Transaction,
  visitor: Visitor,
  loaded: LoadedAgreement,
  invoiceId: string | undefined,
) {
  const deposit = invoiceId === undefined ? openDeposit(loaded) : null;
  if (invoiceId === undefined && !deposit)
    throw loaded.payments.some(({ kind, due }) => kind === 'deposit' && due.on === 'acceptance')
      ? new Problem('paid-already', 'The deposit is paid already. Thank you.')
      : new Problem('no-deposit-due', 'No deposit is due.');
  if (deposit && !deposit.bill)
    return { bill: null, entryId: deposit.entryId, amount: writeAmount(deposit.due, loaded.digits) };
  const id = deposit?.bill?.id ?? invoiceId;
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
  return { bill, entryId: null, amount: writeAmount(open, loaded.digits) };
}

/**
 * What is paid now: an invoice and how much. Issues the deposit's invoice where it was not.
 * @throws Problem `paid-already`
 */
async function toPay(tx: Transaction, visitor: Visitor, agreementId: string, invoiceId: string | undefined) {
  const first = await payable(tx, visitor, await loadAgreement(tx, agreementId), invoiceId);
  if (first.bill) return { invoiceId: first.bill.id, amount: first.amount };
  await insertInvoice(tx, visitor, agreementId, { entryId: first.entryId });
  const loaded = await loadAgreement(tx, agreementId);
  // The customer's credit may have paid it as it was issued.
  const id = openDeposit(loaded)?.bill?.id;
  if (id === undefined) throw new Problem('paid-already', 'The deposit is paid already. Thank you.');
  const { bill, amount } = await payable(tx, visitor, loaded, id);
  return { invoiceId: bill!.id, amount };
}
