import { eq } from 'drizzle-orm';
import { creditInvoice, issueInvoice } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { acceptProposal } from '@/services/booklet/accept';
import { readAccount } from '@/services/customers/account';
import { loadMoneyPage } from '../support/lists';
import { putCredit, refundCredit } from '@/services/payments/moves';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { recordPayment } from '@/services/payments/payments';
import { readReceipt } from '@/services/payments/receipt';
import { reversePayment } from '@/services/payments/reversal';
import { importProposal } from '@/services/proposals/start';
import { closeConnection, inCompany } from '@/data/connection';
import { site } from '@/data/schema';
import { parseAmount, sumAmounts, writeAmount } from '@/core/number';
import { newAgreement, newCompany, refusal, sendIt, signatureFor, testDocument } from '../support/desk';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const cents = (text: string) => parseAmount(text, 2);
let keys = 0;

/** An agreement with two open invoices: the deposit and the frame. */
async function twoOpen() {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const frame = await issueInvoice(actor, { agreementId, what: { entryId: 'frame' } });
  const read = () => readAgreement(actor, agreementId);
  const deposit = (await read()).invoices[0]!;
  const pay = (amount: string, parts?: { invoiceId: string; amount: string }[]) =>
    recordPayment(actor, {
      sure: true,
      agreementId,
      method: 'cheque',
      amount,
      receivedOn: '2026-05-01',
      reference: 'cheque 17',
      idempotencyKey: `moves-${process.pid}-${(keys += 1)}`,
      ...(parts ? { parts } : {}),
    });
  const paid = async () => (await read()).invoices.map((invoice) => invoice.paid);
  return { actor, agreementId, frame, deposit, read, pay, paid };
}

const reversal = (paymentId: string, key: string) => ({
  paymentId,
  reason: 'cheque returned',
  on: '2026-05-09',
  idempotencyKey: `back-${process.pid}-${key}`,
});

test('by hand: on the invoices that were said, never more than is open or came in; the rest is credit', async () => {
  const { agreementId, frame, deposit, pay, paid, read } = await twoOpen();
  await pay('300', [
    { invoiceId: frame.id, amount: '200' },
    { invoiceId: deposit.id, amount: '50' },
  ]);
  expect(await paid()).toEqual(['50.00', '200.00']);
  expect((await read()).credit).toBe('50.00');
  expect((await refusal(pay('10', [{ invoiceId: frame.id, amount: '10.01' }]))).detail).toContain('came in');
  expect((await refusal(pay('99999', [{ invoiceId: deposit.id, amount: '99999' }]))).detail).toContain(
    'is open',
  );
  expect((await refusal(pay('10', [{ invoiceId: agreementId, amount: '10' }]))).status).toBe(404);
  expect(await paid()).toEqual(['50.00', '200.00']);
});

test('on an invoice’s own page: that one first, then the others; the page says what it is paid with', async () => {
  const { actor, agreementId, frame, deposit, paid, read } = await twoOpen();
  const on = (first: string, amount: string, key: string) =>
    recordPayment(actor, {
      sure: true,
      agreementId,
      method: 'transfer',
      amount,
      receivedOn: '2026-05-02',
      reference: 'May',
      idempotencyKey: `first-${process.pid}-${key}`,
      first,
    });
  const { total } = await readInvoice(actor, frame.id);
  const { id } = await on(frame.id, writeAmount(sumAmounts([cents(total), cents('12.34')]), 2), 'a');
  expect(await paid()).toEqual(['12.34', total]);
  expect((await readInvoice(actor, frame.id)).settled).toEqual([
    {
      ...{ paymentId: id, creditNoteId: null, what: 'bank transfer', reference: 'May', on: '2026-05-02' },
      amount: total,
    },
  ]);
  // What is taken off again is left out; a credit note is named.
  await reversePayment(actor, reversal(id, 'first'));
  expect((await readInvoice(actor, frame.id)).settled).toEqual([]);
  const note = await creditInvoice(actor, { invoiceId: deposit.id, what: { whole: true }, remark: '' });
  const [settled] = (await readInvoice(actor, deposit.id)).settled;
  expect(settled).toMatchObject({
    ...{ paymentId: null, creditNoteId: note.id, what: `credit note ${note.number}`, amount: deposit.total },
  });
  // What it is paid with is what is paid.
  for (const { id: invoiceId, kind } of (await read()).invoices) {
    if (kind === 'credit note') continue;
    const invoice = await readInvoice(actor, invoiceId);
    expect(sumAmounts(invoice.settled.map(({ amount }) => cents(amount)))).toBe(
      cents(invoice.paid) + cents(invoice.takenBack) + cents(invoice.creditApplied),
    );
  }
  expect((await refusal(on(agreementId, '1', 'b'))).status).toBe(404);
});

test('what was received this month is the sum of its list: what came in, what went back, what was paid back', async () => {
  const { actor, agreementId } = await twoOpen();
  const today = actor.now.toISOString().slice(0, 10);
  const came = async (amount: string, receivedOn: string, reference: string) =>
    recordPayment(actor, {
      sure: true,
      ...{ agreementId, method: 'cheque', amount, receivedOn, reference, parts: [] },
      idempotencyKey: `month-${process.pid}-${(keys += 1)}`,
    });
  const { id } = await came('100.10', today, 'cheque 1');
  await came('70', today, 'cheque 2');
  await came('999', '2020-01-15', 'long ago');
  await reversePayment(actor, { ...reversal(id, 'month'), on: today });
  await refundCredit(actor, {
    ...{ agreementId, method: 'transfer', amount: '20.05', paidOn: today, reference: 'thank you' },
    idempotencyKey: `month-refund-${process.pid}`,
  });
  const { payments, receivedThisMonth } = await loadMoneyPage(actor, 'received');
  expect(sumAmounts(payments.map(({ amount }) => cents(amount)))).toBe(cents(receivedThisMonth));
  expect(receivedThisMonth).toBe('49.95');
  expect(payments.map(({ amount, kind, text }) => `${amount} ${kind} ${text}`).sort()).toEqual([
    '-100.10 returned cheque returned',
    '-20.05 refund thank you',
    '100.10 payment cheque 1',
    '70.00 payment cheque 2',
  ]);
  // The list of all has the old one, too; found by words, also what went back.
  expect((await loadMoneyPage(actor)).payments).toHaveLength(5);
  const found = async (search: string) =>
    (await loadMoneyPage(actor, 'all', search)).payments.map(({ text }) => text);
  expect(await found('long')).toEqual(['long ago']);
  expect(await found('cheque returned')).toEqual(['cheque returned']);
  expect(await found('nothing of it')).toEqual([]);
});

test('an invoice is found by its number, its work, its customer, all words at once', async () => {
  const { actor, deposit, frame } = await twoOpen();
  const found = async (search: string) =>
    (await loadMoneyPage(actor, 'all', search)).invoices.map(({ id }) => id).sort();
  const both = [deposit.id, frame.id].sort();
  expect(await found('')).toEqual(both);
  expect(await found('test customer')).toEqual(both);
  expect(await found('frame')).toEqual([frame.id]);
  expect(await found(`frame ${frame.number}`)).toEqual([frame.id]);
  expect(await found(`${deposit.number} frame`)).toEqual([]);
  expect(await found('%')).toEqual([]);
  // The figures are over everything all the same.
  expect((await loadMoneyPage(actor, 'all', 'frame')).out).toBe((await loadMoneyPage(actor)).out);
});

test('credit is put on what is open, oldest first, or paid back; once, and no more than there is', async () => {
  const { actor, agreementId, frame, deposit, pay, paid, read } = await twoOpen();
  await pay('500', []);
  expect(await read()).toMatchObject({ credit: '500.00', standing: { paid: '0.00' } });
  expect(await putCredit(actor, { agreementId, invoiceId: frame.id })).toEqual({ put: '500.00' });
  expect(await paid()).toEqual(['0.00', '500.00']);
  expect((await refusal(putCredit(actor, { agreementId }))).detail).toContain('no credit');
  await creditInvoice(actor, { invoiceId: deposit.id, what: { whole: true }, remark: '' });
  await pay('100', []);
  const refund = {
    agreementId,
    method: 'transfer',
    amount: '80',
    paidOn: '2026-05-03',
    reference: '',
    idempotencyKey: `refund-${process.pid}-1`,
  };
  const { id } = await refundCredit(actor, refund);
  expect(await refundCredit(actor, refund)).toEqual({ id });
  expect(await read()).toMatchObject({ credit: '20.00', refunds: [{ amount: '80.00' }] });
  expect(
    (
      await refusal(
        refundCredit(actor, { ...refund, amount: '20.01', idempotencyKey: `refund-${process.pid}-2` }),
      )
    ).detail,
  ).toContain('no more can be refunded');
  expect((await loadMoneyPage(actor)).credit).toBe('20.00');
});

test('a returned payment opens what it paid; its receipt says so; nothing is deleted', async () => {
  const { actor, frame, deposit, pay, paid, read } = await twoOpen();
  const { total } = await readInvoice(actor, frame.id);
  const { id } = await pay(writeAmount(sumAmounts([cents(deposit.total), cents(total)]), 2));
  expect(await readReceipt(actor, id)).toMatchObject({
    parts: { length: 2 },
    credit: '0.00',
    gone: null,
  });
  const twice = await Promise.all(
    [1, 2].map(() => reversePayment(actor, reversal(id, 'same')).then(() => 'done')),
  );
  expect(twice).toEqual(['done', 'done']);
  expect(await paid()).toEqual(['0.00', '0.00']);
  expect(await read()).toMatchObject({
    credit: '0.00',
    standing: { paid: '0.00' },
    received: [{ gone: { kind: 'returned', reason: 'cheque returned' } }],
  });
  expect(await readReceipt(actor, id)).toMatchObject({
    gone: { kind: 'returned', reason: 'cheque returned' },
  });
  expect((await refusal(reversePayment(actor, reversal(id, 'other')))).detail).toContain(
    'returned or voided already',
  );
  // Another payment pays the same invoices.
  await pay(deposit.total);
  expect(await paid()).toEqual([deposit.total, '0.00']);
});

test('a payment recorded by mistake is void: it counts on no day, and what it paid is open again', async () => {
  const { actor, deposit, pay, paid, read } = await twoOpen();
  const account = async () =>
    readAccount(actor, (await read()).customer.id, { from: '2020-01-01', to: (await read()).today });
  const before = await account();
  const { id } = await pay(deposit.total);
  expect(await paid()).toEqual([deposit.total, '0.00']);
  const { receivedOn } = (await read()).received[0]!;
  await reversePayment(actor, {
    paymentId: id,
    kind: 'void',
    reason: 'typed twice',
    idempotencyKey: `void-${id}`,
  });
  expect(await paid()).toEqual(['0.00', '0.00']);
  expect(await read()).toMatchObject({
    credit: '0.00',
    received: [{ gone: { kind: 'void', reason: 'typed twice' } }],
  });
  expect(await readReceipt(actor, id)).toMatchObject({ gone: { kind: 'void', reason: 'typed twice' } });
  // What the customer owes is what it was before; the paper says what happened, on the day the payment bore.
  const after = await account();
  expect(after.closing).toBe(before.closing);
  expect(after.rows.filter(({ day }) => day === receivedOn).map(({ what }) => what)).toEqual(
    expect.arrayContaining(['Received by check', 'Payment void']),
  );
  expect((await refusal(reversePayment(actor, reversal(id, 'later')))).detail).toContain('voided already');
  // A payment is returned on a day; without one, it is asked for.
  const { id: next } = await pay(deposit.total);
  const { on: _, ...dayless } = reversal(next, 'dayless');
  expect((await refusal(reversePayment(actor, dayless))).detail).toContain('on which day');
});

test('a payment of which part was paid back is returned by the bank: other money covers it, else the customer owes it', async () => {
  const { actor, agreementId, pay, read, paid, deposit } = await twoOpen();
  const { id } = await pay('60', []);
  const refund = (amount: string, name: string) =>
    refundCredit(actor, {
      agreementId,
      method: 'cash',
      amount,
      paidOn: '2026-05-03',
      reference: '',
      idempotencyKey: `refund-${process.pid}-${name}`,
    });
  await refund('60', '3');
  await reversePayment(actor, reversal(id, 'refunded'));
  // 60.00 left the house and never came in.
  expect((await read()).credit).toBe('-60.00');
  expect((await refusal(refund('1', '4'))).detail).toContain('credit is');
  // The next payment covers it before any invoice.
  await pay('100');
  expect((await read()).credit).toBe('0.00');
  expect(await paid()).toEqual(['40.00', '0.00']);
  // Returned, what was paid back out of another payment opens the oldest invoice again.
  const { id: second } = await pay('50', []);
  await refund('50', '5');
  await reversePayment(actor, reversal(second, 'again'));
  expect(await paid()).toEqual(['0.00', '0.00']);
  expect((await read()).invoices[0]!.open).toBe(deposit.total);
  expect((await read()).credit).toBe('-10.00');
});

test('a day to come is refused; what is odd is asked about once and recorded when it is meant', async () => {
  const { actor, agreementId, read } = await twoOpen();
  const { today, invoices } = await read();
  const open = invoices.map((invoice) => cents(invoice.open)).reduce((all, each) => all + each, 0n);
  const given = {
    agreementId,
    method: 'cheque' as const,
    amount: '10',
    receivedOn: today,
    reference: 'check 88',
  };
  const send = (more: object) =>
    recordPayment(actor, { ...given, idempotencyKey: `odd-${process.pid}-${(keys += 1)}`, ...more });
  expect((await refusal(send({ receivedOn: '2099-01-01', sure: true }))).detail).toContain('still to come');
  await send({});
  const doubts = async (more: object) =>
    ((await refusal(send(more))).context as { doubts: string[] }).doubts.join(' ');
  expect(await doubts({})).toContain('recorded already');
  expect(await doubts({ receivedOn: '2020-01-01' })).toContain('before the agreement was signed');
  expect(await doubts({ amount: writeAmount((open + 1n) as never, 2) })).toContain('more than');
  expect((await read()).received).toHaveLength(1);
  await send({ sure: true });
  expect((await read()).received).toHaveLength(2);
});

test('the seller may not move money', async () => {
  const { actor, agreementId, pay } = await twoOpen();
  const { id } = await pay('60');
  const seller = inRole(actor, 'seller');
  for (const act of [
    putCredit(seller, { agreementId }),
    reversePayment(seller, reversal(id, 'seller')),
    refundCredit(seller, {}),
    creditInvoice(seller, {}),
  ])
    expect((await refusal(act)).status).toBe(403);
});

/** A second agreement of the customer of the first. */
async function second(actor: Awaited<ReturnType<typeof twoOpen>>['actor'], agreementId: string) {
  const customerId = (await readAgreement(actor, agreementId)).customer.id;
  const { siteId } = await inCompany(actor, async (tx) => {
    const [row] = await tx.select({ siteId: site.id }).from(site).where(eq(site.customerId, customerId));
    return row!;
  });
  const proposal = await importProposal(actor, { customerId, siteId }, testDocument());
  const token = await sendIt(actor, proposal.id);
  const { visitor, input } = await signatureFor(token);
  return (await acceptProposal(visitor, input, 'test')).agreementId;
}

test('credit of one agreement pays an invoice of another of the same customer, never of another customer', async () => {
  const { actor, agreementId, pay } = await twoOpen();
  const other = await second(actor, agreementId);
  const { id: paymentId } = await pay('120', []);
  const theirs = await readAgreement(actor, other);
  expect(theirs.creditElsewhere).toMatchObject([{ id: agreementId, credit: '120.00' }]);
  const invoiceId = theirs.invoices[0]!.id;
  const both = await Promise.allSettled([
    putCredit(actor, { agreementId: other, invoiceId, from: agreementId }),
    putCredit(actor, { agreementId, from: other }),
  ]);
  expect(both.map(({ status }) => status)).toEqual(['fulfilled', 'rejected']);
  expect((await readAgreement(actor, other)).invoices[0]).toMatchObject({ paid: '120.00' });
  expect((await readAgreement(actor, agreementId)).credit).toBe('0.00');
  expect(await readReceipt(actor, paymentId)).toMatchObject({
    credit: '0.00',
    parts: [{ number: theirs.invoices[0]!.number, amount: '120.00' }],
  });
  const stranger = await newAgreement(actor);
  await pay('30', []);
  expect(
    (await refusal(putCredit(actor, { agreementId: stranger.agreementId, from: agreementId }))).detail,
  ).toContain('another customer');
  // It goes back from where it was put.
  await reversePayment(actor, reversal(paymentId, 'across'));
  expect((await readAgreement(actor, other)).invoices[0]).toMatchObject({ paid: '0.00' });
});

test('a customer’s account runs over all agreements and closes at what is open less the credit', async () => {
  const { actor, agreementId, frame, pay } = await twoOpen();
  const other = await second(actor, agreementId);
  await creditInvoice(actor, { invoiceId: frame.id, what: { amount: '55.50' }, remark: '' });
  const { id } = await pay('400');
  await pay('90', []);
  await reversePayment(actor, reversal(id, 'account'));
  await refundCredit(actor, {
    agreementId,
    method: 'transfer',
    amount: '15',
    paidOn: '2026-05-10',
    reference: '',
    idempotencyKey: `refund-${process.pid}-account`,
  });
  const customerId = (await readAgreement(actor, agreementId)).customer.id;
  const account = await readAccount(actor, customerId, { from: '2026-01-01', to: '2099-01-01' });
  const open = sumAmounts(account.open.map((each) => cents(each.open)));
  const credits = await Promise.all(
    [agreementId, other].map(async (each) => cents((await readAgreement(actor, each)).credit)),
  );
  expect(cents(account.closing)).toBe(open - sumAmounts(credits));
  expect(account.rows).toHaveLength(4 + 2 + 1 + 1);
  expect(account.rows.at(-1)!.balance).toBe(account.closing);
  // In May only what happened in May, on what was owed before.
  const may = await readAccount(actor, customerId, { from: '2026-05-01', to: '2026-05-31' });
  expect(may.rows.map(({ amount }) => amount)).toEqual(['-400.00', '-90.00', '400.00', '15.00']);
  expect(
    (await refusal(readAccount(actor, customerId, { from: '2026-05-02', to: '2026-05-01' }))).status,
  ).toBe(422);
});
