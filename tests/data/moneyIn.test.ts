import { creditInvoice, issueInvoice } from '@/acts/agreements/issue';
import { readAgreement } from '@/acts/agreements/read';
import { readMoney } from '@/acts/money/invoices';
import { putCredit, refundCredit, reversePayment } from '@/acts/money/moves';
import { readInvoice } from '@/acts/money/paper';
import { recordPayment } from '@/acts/money/payments';
import { readReceipt } from '@/acts/money/receipt';
import { closeConnection } from '@/data/connection';
import { parseAmount, sumAmounts, writeAmount } from '@/core/number';
import { newAgreement, newCompany, refusal } from '../support/desk';

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
  ).toContain('no more can be paid back');
  expect((await readMoney(actor)).credit).toBe('20.00');
});

test('a payment that went back opens what it paid; its receipt says so; nothing is deleted', async () => {
  const { actor, frame, deposit, pay, paid, read } = await twoOpen();
  const { total } = await readInvoice(actor, frame.id);
  const { id } = await pay(writeAmount(sumAmounts([cents(deposit.total), cents(total)]), 2));
  expect(await readReceipt(actor, id)).toMatchObject({
    parts: { length: 2 },
    credit: '0.00',
    wentBack: null,
  });
  const twice = await Promise.all(
    [1, 2].map(() => reversePayment(actor, reversal(id, 'same')).then(() => 'done')),
  );
  expect(twice).toEqual(['done', 'done']);
  expect(await paid()).toEqual(['0.00', '0.00']);
  expect(await read()).toMatchObject({
    credit: '0.00',
    standing: { paid: '0.00' },
    received: [{ back: 'cheque returned' }],
  });
  expect(await readReceipt(actor, id)).toMatchObject({ wentBack: 'cheque returned' });
  expect((await refusal(reversePayment(actor, reversal(id, 'other')))).detail).toContain('went back already');
  // Another payment pays the same invoices.
  await pay(deposit.total);
  expect(await paid()).toEqual([deposit.total, '0.00']);
});

test('what was paid back to the customer cannot go back to the bank as well', async () => {
  const { actor, agreementId, pay, read } = await twoOpen();
  const { id } = await pay('60', []);
  await refundCredit(actor, {
    agreementId,
    method: 'cash',
    amount: '60',
    paidOn: '2026-05-03',
    reference: '',
    idempotencyKey: `refund-${process.pid}-3`,
  });
  expect((await refusal(reversePayment(actor, reversal(id, 'refunded')))).status).toBe(409);
  expect((await read()).credit).toBe('0.00');
});

test('the seller may not move money', async () => {
  const { actor, agreementId, pay } = await twoOpen();
  const { id } = await pay('60');
  const seller = { ...actor, role: 'seller' as const };
  for (const act of [
    putCredit(seller, { agreementId }),
    reversePayment(seller, reversal(id, 'seller')),
    refundCredit(seller, {}),
    creditInvoice(seller, {}),
  ])
    expect((await refusal(act)).status).toBe(403);
});
