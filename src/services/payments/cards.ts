import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { cardCharge } from '@/data/schema';
import type { CardFact, ChargeStanding } from '@/core/billing';
import { parseFixed } from '@/core/number';
import { CardNewsInput, CardNewsKind, EntityId } from '@/model';
import { cardMessage } from '@/gateways/cards/cardNews';
import { isSignedWith } from '@/gateways/httpSignature';
import type { Actor } from '../actor';
import { allow, businessDate, newId, recordAudit } from '../actor';
import type { Issuer } from '../billing/insertPaper';
import { loadAgreement } from '@/data/agreements/load';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { cutOffer } from '../offered';
import { noSuch, Problem } from '../problem';
import { standingsOf } from '@/data/payments/onItsWay';
import { insertPayment } from './payments';
import { followDispute } from './reversal';
import { findAgreementOfInvoice } from '@/data/billing/invoice';
import { insertCardEventOnce } from '@/data/payments/cardEvent';
import { insertCardAccountOnce, findCardAccount } from '@/data/payments/cardAccount';
import { findCharge, findNewestCharges } from '@/data/payments/cardCharge';

/** A message is a few hundred characters. */
const LARGEST = 10_000;

export type Charge = typeof cardCharge.$inferSelect;

/**
 * Notes what the card service said about a charge, once, and brings the books to where the charge stands by all that was
 * said: money taken is a payment, disputed it goes back, won it comes again. Whatever order things are heard in, the end
 * is the same.
 */
export async function applyCardEvent(
  tx: Transaction,
  who: Issuer,
  charge: Charge,
  fact: Omit<CardFact, 'at'> & { readonly at: Date },
): Promise<ChargeStanding> {
  const [bill] = await findAgreementOfInvoice(tx, charge.invoiceId);
  const agreementId = bill!.agreementId;
  await loadAgreement(tx, agreementId, { lock: true });
  await insertCardEventOnce(tx, who, charge.id, fact);
  const standing = (await standingsOf(tx, [charge.id])).get(charge.id)!;
  if (!standing.taken) {
    if (standing.state === 'refused')
      await recordAudit(tx, who, 'card refused', charge.invoiceId, { chargeId: charge.id });
    return standing;
  }
  const ours = await companyOf(tx, who.companyId);
  const on = businessDate(fact.at, ours.timeZone);
  const { id: paymentId } = await insertPayment(
    tx,
    who,
    {
      agreementId,
      method: 'card',
      amount: charge.amount,
      receivedOn: on,
      reference: `card ending ${charge.lastFour}`,
      idempotencyKey: `card-${charge.idempotencyKey}`,
    },
    { first: charge.invoiceId },
  );
  if (standing.back)
    await followDispute(
      tx,
      who,
      { paymentId, on, reason: standing.reason ?? 'The card’s holder disputes it' },
      true,
    );
  else if (standing.state === 'dispute won')
    await followDispute(tx, who, { paymentId, on, reason: 'The dispute was won' }, false);
  return standing;
}

/** The secret of the company's account at the card service; made when it is first asked for. */
async function accountOf(tx: Transaction, companyId: string): Promise<string> {
  await insertCardAccountOnce(tx, companyId);
  const [account] = await findCardAccount(tx);
  return account!.secret;
}

/**
 * The door of the card service: a signed message about a charge of the company. Heard again, it changes nothing.
 * @throws Problem `no-such-charge`, `not-json`, `not-signed-by-service`, `other-amount`, `too-large`
 */
export async function receiveCardNews(companyId: string, request: Request, now: Date): Promise<void> {
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST)
    throw new Problem('too-large', 'That is too much to send.');
  const body = await request.text();
  if (body.length > LARGEST) throw new Problem('too-large', 'That is too much to send.');
  const secret = await inCompany(companyId, async (tx) => (await findCardAccount(tx))[0]?.secret);
  if (secret === undefined || !(await isSignedWith(request, body, secret, now)))
    throw new Problem('not-signed-by-service', 'This message is not signed by the card service.');
  let news: unknown;
  try {
    news = JSON.parse(body);
  } catch {
    throw new Problem('not-json', 'This is not JSON.');
  }
  const {
    id,
    charge: chargeId,
    kind,
    amount,
    currency,
    at,
    reason,
  } = check(CardNewsInput, news, 'The message');
  await inCompany(companyId, async (tx) => {
    const [found] = await findCharge(tx, chargeId);
    if (!found) throw noSuch('charge');
    const { charge } = found;
    if (parseFixed(charge.amount) !== parseFixed(amount) || found.currency !== currency)
      throw new Problem('other-amount', 'The charge was for another amount.');
    await applyCardEvent(tx, { companyId, userId: null, now }, charge, {
      id,
      kind,
      at: new Date(at),
      reason,
    });
  });
}

/** So many charges are listed. */
const CHARGES = 100;

/** The newest charges by card with where they stand, and whether there are older ones. */
export async function listCharges(actor: Actor) {
  allow(actor, 'money');
  return inCompany(actor, async (tx) => {
    const { found: charges, more } = cutOffer(await findNewestCharges(tx, CHARGES + 1), CHARGES);
    const standings = await standingsOf(
      tx,
      charges.map(({ charge }) => charge.id),
    );
    const found = charges.map(
      ({ charge: { id, at, amount, lastFour, invoiceId }, invoiceNumber, currency }) => ({
        ...{ id, at, amount, lastFour, invoiceId, invoiceNumber, currency },
        standing: standings.get(id)!,
      }),
    );
    return { found, more };
  });
}

export type ChargeRow = Awaited<ReturnType<typeof listCharges>>['found'][number];

const PlayInput = Type.Object({ chargeId: EntityId, kind: CardNewsKind }, { additionalProperties: false });
export type PlayInput = Type.Static<typeof PlayInput>;

/**
 * Plays the card service: it makes the message, signs it and puts it through the same door as any message.
 * @param door the address the message goes to
 * @throws Problem `no-such-charge`
 */
export async function playCardService(actor: Actor, input: unknown, door: string): Promise<void> {
  allow(actor, 'money');
  const { chargeId, kind } = check(PlayInput, input, 'What the bank says');
  const charge = (await listCharges(actor)).found.find(({ id }) => id === chargeId);
  if (!charge) throw noSuch('charge');
  const secret = await inCompany(actor, (tx) => accountOf(tx, actor.companyId));
  const message = await cardMessage(
    door,
    {
      id: newId(actor.now),
      charge: charge.id,
      kind,
      amount: charge.amount,
      currency: charge.currency,
      at: actor.now.toISOString(),
      reason:
        { refused: 'The bank refused.', disputed: 'The card’s holder does not know the payment' }[
          kind as string
        ] ?? null,
    },
    secret,
    actor.now,
  );
  await receiveCardNews(actor.companyId, message, actor.now);
}
