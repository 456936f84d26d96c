import { eq } from 'drizzle-orm';
import { creditInvoice, issueInvoice } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { confirmCard, openCardPage, payByCard } from '@/services/booklet/payCard';
import { cardService } from '@/services/cardService';
import { openBooklet } from '@/services/booklet/open';
import type { PlayInput } from '@/services/payments/cards';
import { listCharges, playCardService } from '@/services/payments/cards';
import { refundToCard } from '@/services/payments/cardRefund';
import { refundCredit } from '@/services/payments/moves';
import { recordPayment } from '@/services/payments/payments';
import type { Amount } from '@/core/number';
import { parseAmount, sumAmounts, writeAmount } from '@/core/number';
import { closeConnection } from '@/data/connection';
import { cardAccount, cardEvent, paymentReversal } from '@/data/schema';
import type { CardNews } from '@/gateways/cards/cardNews';
import { cardMessage } from '@/gateways/cards/cardNews';
import { trialCards, trialCode } from '@/gateways/cards/standIn';
import { POST as newsDoor } from '../../app/api/v1/companies/[id]/card-news/route';
import type { Problem } from '@/services/problem';
import { newAgreement, newCompany, refusal, visit } from '../support/desk';
import { cardOf } from '../../scripts/demo/cardOf';
import { asOwner } from '../support/owner';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

let keys = 0;
const key = () => `card-test-${process.pid}-${(keys += 1)}`;

/** An agreement with an open deposit and an open stage, and a way to pay as its customer. */
async function toPay() {
  const actor = await newCompany();
  const { agreementId, token } = await newAgreement(actor);
  const stage = await issueInvoice(actor, { agreementId, what: { entryId: 'frame' } });
  const read = () => readAgreement(actor, agreementId);
  const pay = async (number: string, more: { idempotencyKey?: string; invoiceId?: string } = {}) =>
    payByCard(await visit(token), { card: cardOf(number), idempotencyKey: key(), ...more });
  const door = `http://localhost/api/v1/companies/${actor.companyId}/card-news`;
  const play = async (kind: PlayInput['kind']) =>
    playCardService(
      { ...actor, now: new Date() },
      { chargeId: (await listCharges(actor)).found[0]!.id, kind },
      door,
    );
  const standing = async () => {
    const { invoices, credit, standing: money } = await read();
    return { paid: invoices.map((each) => each.paid), credit, sum: money.paid };
  };
  return { actor, agreementId, token, stage, read, pay, play, door, standing };
}

/** Messages as the service would sign them, put through the door itself. */
async function service({ actor, door }: Pick<Awaited<ReturnType<typeof toPay>>, 'actor' | 'door'>) {
  const charge = (await listCharges(actor)).found[0]!;
  const [account] = await asOwner((tx) =>
    tx.insert(cardAccount).values({ companyId: actor.companyId }).onConflictDoNothing().returning(),
  );
  const news = (kind: CardNews['kind'], minute: number, more: Partial<CardNews> = {}): CardNews => ({
    id: `${charge.id}-${kind}`,
    charge: charge.id,
    kind,
    amount: charge.amount,
    currency: 'USD',
    at: new Date(Date.now() + minute * 60_000).toISOString(),
    reason: null,
    ...more,
  });
  /** Brings a message, and again while the door is busy, as services do (common practice, no source). */
  const send = async (message: CardNews, secret = account!.secret, tries = 5): Promise<Response> => {
    const answer = await newsDoor(await cardMessage(door, message, secret, new Date()), {
      params: Promise.resolve({ id: actor.companyId }),
    });
    return answer.status === 503 && tries > 1 ? send(message, secret, tries - 1) : answer;
  };
  return { charge, news, send };
}

test('any open invoice is paid from the booklet, for what is open of it; of another agreement, none', async () => {
  const { actor, pay, stage, read, token } = await toPay();
  expect(await pay(trialCards.accepted, { invoiceId: stage.id })).toMatchObject({ paid: true });
  expect((await read()).invoices.map(({ open }) => open)).toEqual([expect.not.stringMatching(/^0/), '0.00']);
  expect((await refusal(pay(trialCards.accepted, { invoiceId: stage.id }))).detail).toContain('paid already');
  const other = await newAgreement(actor);
  const theirs = (await readAgreement(actor, other.agreementId)).invoices[0]!.id;
  expect((await refusal(pay(trialCards.accepted, { invoiceId: theirs }))).status).toBe(404);
  expect((await openBooklet(await visit(token))).agreement!.depositDue).not.toBeNull();
});

test('a code: nothing is taken without it; wrong, it is refused; right, it pays once', async () => {
  const { pay, token, standing } = await toPay();
  const first = key();
  expect(await pay(trialCards.confirmed, { idempotencyKey: first })).toMatchObject({ waitsFor: 'code' });
  expect((await standing()).sum).toBe('0.00');
  const visitor = await visit(token);
  expect(await confirmCard(visitor, { idempotencyKey: first, code: '0000' })).toMatchObject({ paid: false });
  expect(await confirmCard(visitor, { idempotencyKey: first, code: trialCode })).toMatchObject({
    paid: false,
  });
  const second = key();
  await pay(trialCards.confirmed, { idempotencyKey: second });
  const answers = await Promise.all(
    [1, 2].map(() => confirmCard(visitor, { idempotencyKey: second, code: trialCode })),
  );
  expect(answers).toEqual([answers[0], answers[0]]);
  expect(answers[0]).toMatchObject({ paid: true });
  expect((await standing()).paid[0]).toBe(answers[0]?.paid === true && answers[0].amount);
  expect((await refusal(confirmCard(visitor, { idempotencyKey: 'no-such-key', code: '1' }))).status).toBe(
    404,
  );
});

test('two who pay one invoice at one moment, each under a key of their own: one pays, and nothing is taken twice', async () => {
  const { pay, standing } = await toPay();
  const tries = await Promise.all(
    [1, 2, 3].map(() => pay(trialCards.accepted).catch((error: Problem) => error.details.detail)),
  );
  const paid = tries.filter((each) => typeof each === 'object');
  expect(paid).toHaveLength(1);
  for (const said of tries.filter((each) => typeof each === 'string'))
    expect(said).toMatch(/on its way|paid already/);
  expect(await standing()).toMatchObject({ credit: '0.00', sum: paid[0]!.paid === true && paid[0]!.amount });
});

test('a code that comes after the invoice was paid in another way takes nothing', async () => {
  const { actor, agreementId, token, pay, read, standing } = await toPay();
  const late = key();
  await pay(trialCards.confirmed, { idempotencyKey: late });
  await recordPayment(actor, {
    sure: true,
    agreementId,
    method: 'cheque',
    amount: (await read()).invoices[0]!.open,
    receivedOn: '2026-05-02',
    reference: '',
    idempotencyKey: key(),
  });
  const refused = await refusal(confirmCard(await visit(token), { idempotencyKey: late, code: trialCode }));
  expect(refused.detail).toContain('in another way');
  expect((await standing()).credit).toBe('0.00');
});

test('a delayed payment: not paid, not to be paid again, until the bank has said; delivered five times it counts once', async () => {
  const made = await toPay();
  const { pay, token, standing } = made;
  expect(await pay(trialCards.delayed)).toMatchObject({ paid: null, waitsFor: 'bank' });
  expect(await standing()).toMatchObject({ sum: '0.00' });
  const shown = (await openBooklet(await visit(token))).agreement!.invoices[0]!;
  expect(shown.waits).toBe(shown.open);
  expect((await refusal(pay(trialCards.accepted))).detail).toContain('on its way');
  const { charge, news, send } = await service(made);
  const message = news('accepted', 1);
  const answers = await Promise.all([1, 2, 3, 4, 5].map(() => send(message)));
  expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 200, 200]);
  expect(await standing()).toEqual({ paid: [charge.amount, '0.00'], credit: '0.00', sum: charge.amount });
  expect((await made.read()).received).toHaveLength(1);
  const kept = await asOwner((tx) => tx.select().from(cardEvent).where(eq(cardEvent.chargeId, charge.id)));
  expect(kept.map(({ kind }) => kind).sort()).toEqual(['accepted', 'delayed']);
});

const kinds = ['accepted', 'disputed', 'dispute won'] as const;
const orders = [0, 1, 2].flatMap((a) =>
  [0, 1, 2].filter((b) => b !== a).map((b) => [a, b, 3 - a - b] as const),
);

test('every order of three is tried', () => {
  expect(new Set(orders.map(String)).size).toBe(6);
});

test.each(orders)('in any order the end is the same: %i, %i, %i', async (...order) => {
  const made = await toPay();
  await made.pay(trialCards.delayed);
  const { charge, news, send } = await service(made);
  for (const i of order) {
    expect((await send(news(kinds[i]!, i + 1))).status).toBe(200);
    expect((await send(news(kinds[i]!, i + 1))).status).toBe(200);
  }
  expect(await made.standing()).toEqual({
    paid: [charge.amount, '0.00'],
    credit: '0.00',
    sum: charge.amount,
  });
});

test('a dispute opens the invoice again; lost, it stays so; won, it is paid again', async () => {
  const { pay, play, standing } = await toPay();
  const answer = await pay(trialCards.accepted);
  const amount = answer.paid === true ? answer.amount : '';
  expect((await standing()).sum).toBe(amount);
  await play('disputed');
  expect(await standing()).toMatchObject({ paid: ['0.00', '0.00'], sum: '0.00' });
  await play('dispute won');
  expect(await standing()).toMatchObject({ paid: [amount, '0.00'], sum: amount });
  await play('disputed');
  await play('dispute lost');
  expect(await standing()).toEqual({ paid: ['0.00', '0.00'], credit: '0.00', sum: '0.00' });
});

test('a disputed payment goes back as a whole: what was paid back of it comes out of other money, which opens what it paid', async () => {
  const { actor, agreementId, read, pay, play, standing, stage } = await toPay();
  await pay(trialCards.delayed, { invoiceId: stage.id });
  await recordPayment(actor, {
    sure: true,
    agreementId,
    method: 'cheque',
    amount: writeAmount(sumAmounts((await read()).invoices.map(({ open }) => parseAmount(open, 2))), 2),
    receivedOn: '2026-05-02',
    reference: '',
    idempotencyKey: key(),
  });
  // Everything is paid by cheque when the card is accepted after all: it is all credit.
  await play('accepted');
  const payment = (await read()).received.find(({ method }) => method === 'card')!;
  expect((await standing()).credit).toBe(payment.amount);
  await refundCredit(actor, {
    agreementId,
    method: 'transfer',
    amount: '40',
    paidOn: '2026-05-03',
    reference: '',
    idempotencyKey: key(),
  });
  await play('disputed');
  const [back] = await asOwner((tx) =>
    tx.select().from(paymentReversal).where(eq(paymentReversal.paymentId, payment.id)),
  );
  expect(back!.amount).toBe(payment.amount);
  // 40.00 of the check were paid back, as it turns out: as much is open again, on the oldest invoice.
  expect((await standing()).credit).toBe('0.00');
  const { invoices, standing: sums } = await read();
  expect(sums.billedUnpaid).toBe('40.00');
  expect(invoices[0]!.open).toBe('40.00');
});

test('credit goes back on the card it was paid with: never more than that, once under a key, refused in words', async () => {
  const { actor, agreementId, read, pay, standing, stage } = await toPay();
  const [deposit] = (await read()).invoices;
  await pay(trialCards.accepted, { invoiceId: deposit!.id });
  await pay(trialCards.confirmed, { invoiceId: stage.id, idempotencyKey: 'confirmed-one-1' });
  expect((await read()).cards).toEqual([]);
  // The deposit is credited whole: what the card paid is the customer’s again.
  await creditInvoice(actor, { invoiceId: deposit!.id, what: { whole: true }, remark: '' });
  const [card] = (await read()).cards;
  expect(card).toMatchObject({ lastFour: '0000', most: deposit!.total });
  const ask = { agreementId, paymentId: card!.id, amount: '25.5', idempotencyKey: key() };
  const { id } = await refundToCard(actor, ask);
  expect(await refundToCard(actor, ask)).toEqual({ id });
  expect((await refusal(refundToCard(actor, { ...ask, amount: '26' }))).code).toBe('key-used');
  const left = writeAmount((parseAmount(deposit!.total, 2) - 2550n) as Amount, 2);
  expect((await read()).cards).toMatchObject([{ most: left }]);
  expect((await standing()).credit).toBe(left);
  expect((await read()).refunds).toMatchObject([
    { method: 'card', methodName: null, amount: '25.50', reference: 'card ending 0000' },
  ]);
  const more = { ...ask, idempotencyKey: key(), amount: deposit!.total };
  expect(await refusal(refundToCard(actor, more))).toMatchObject({ code: 'more-than-card' });
  // Paid back another way, the credit is gone, and with it what can go back on the card.
  await refundCredit(actor, {
    ...{
      agreementId,
      method: 'cash',
      amount: left,
      paidOn: '2026-05-03',
      reference: '',
      idempotencyKey: key(),
    },
  });
  expect((await read()).cards).toEqual([]);
  const seller = inRole(actor, 'seller');
  expect(await refusal(refundToCard(seller, more))).toMatchObject({ code: 'role-not-allowed' });
  const other = await newCompany();
  expect((await refusal(refundToCard(other, more))).code).toBe('no-such-agreement');
});

test('a card whose bank takes nothing back: nothing is recorded', async () => {
  const { actor, agreementId, token, read, pay } = await toPay();
  const [deposit] = (await read()).invoices;
  const idempotencyKey = key();
  await pay(trialCards.confirmed, { invoiceId: deposit!.id, idempotencyKey });
  await confirmCard(await visit(token), { code: trialCode, idempotencyKey });
  await creditInvoice(actor, { invoiceId: deposit!.id, what: { whole: true }, remark: '' });
  const [card] = (await read()).cards;
  const refused = await refusal(
    refundToCard(actor, { agreementId, paymentId: card!.id, amount: '10', idempotencyKey: key() }),
  );
  expect(refused).toMatchObject({ code: 'card-refused', status: 409 });
  expect(refused.detail).toContain('Refund it another way.');
  expect(await read()).toMatchObject({ refunds: [], credit: deposit!.total });
});

test('the door: unsigned, signed with another secret, for another amount or charge, not JSON: refused, nothing changed', async () => {
  const made = await toPay();
  await made.pay(trialCards.delayed);
  const { news, send } = await service(made);
  const params = { params: Promise.resolve({ id: made.actor.companyId }) };
  const unsigned = new Request(made.door, { method: 'POST', body: JSON.stringify(news('accepted', 1)) });
  expect((await newsDoor(unsigned, params)).status).toBe(401);
  expect((await send(news('accepted', 1), 'another-secret')).status).toBe(401);
  expect((await send(news('accepted', 1, { amount: '1' }))).status).toBe(422);
  expect((await send(news('accepted', 1, { charge: made.agreementId }))).status).toBe(404);
  expect((await send({ ...news('accepted', 1), kind: 'paid' as never })).status).toBe(422);
  // Another company's charge behind a signature of one's own.
  const other = await toPay();
  await other.pay(trialCards.delayed);
  const theirs = await service(other);
  expect(
    (await theirs.send({ ...theirs.news('accepted', 1), charge: news('accepted', 1).charge })).status,
  ).toBe(404);
  expect(await made.standing()).toMatchObject({ sum: '0.00' });
});

test('a page of the card service says what is paid, bills nothing, and leads back to the booklet', async () => {
  const { actor, agreementId, token, stage, read } = await toPay();
  const visitor = await visit(token);
  const back = `http://127.0.0.1:4310/b/${token}`;
  const open = async (invoiceId?: string) => {
    const { address } = await openCardPage(
      visitor,
      { idempotencyKey: 'page-key-1', ...(invoiceId === undefined ? {} : { invoiceId }) },
      back,
    );
    return {
      page: address.split('/').at(-1)!,
      shown: cardService().open(address.split('/').at(-1)!, visitor.now),
    };
  };
  const before = await read();
  const deposit = before.invoices[0]!;
  expect((await open()).shown).toMatchObject({ amount: deposit.open, currency: 'USD', back });
  const { shown, page } = await open(stage.id);
  expect(shown!.what).toContain(stage.number);
  // Typed there, it comes back with the key and the invoice it is for.
  const typed = cardService().type(page, { number: trialCards.accepted, expiry: '12/39' }, visitor.now);
  const behind = new URLSearchParams(new URL((typed as { back: string }).back).hash.slice(1));
  expect(behind.get('mark')).toBe(`page-key-1 ${stage.id}`);
  expect((await read()).invoices).toEqual(before.invoices);
  // Of another agreement, or paid already, there is none.
  const other = await newAgreement(actor);
  const theirs = (await readAgreement(actor, other.agreementId)).invoices[0]!.id;
  expect((await refusal(open(theirs))).status).toBe(404);
  await recordPayment(actor, {
    ...{ sure: true, agreementId, method: 'cheque', amount: deposit.open, receivedOn: '2026-05-02' },
    ...{ reference: '', idempotencyKey: key() },
  });
  expect((await refusal(open())).code).toBe('paid-already');
});

test('a card that is too old is none; what was asked with it while it was good keeps its answer', async () => {
  const { token, standing } = await toPay();
  const visitor = await visit(token);
  const later = { ...visitor, now: new Date(visitor.now.getTime() + 31 * 60_000) };
  const card = cardOf(trialCards.accepted);
  const asked = { card, idempotencyKey: key() };
  expect((await refusal(payByCard(later, asked))).code).toBe('card-page-over');
  expect((await refusal(payByCard(visitor, { ...asked, card: '9100000000000000' }))).code).toBe(
    'card-page-over',
  );
  expect((await standing()).sum).toBe('0.00');
  const answer = await payByCard(visitor, asked);
  expect(answer).toMatchObject({ paid: true });
  // The page is loaded anew an hour later, with the card still in its address.
  expect(await payByCard(later, asked)).toEqual(answer);
  expect((await refusal(payByCard(visitor, { ...asked, card: cardOf(trialCards.delayed) }))).code).toBe(
    'key-used',
  );
});
