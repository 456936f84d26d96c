import { usualAccounts } from '@/core/billing';
import { closeConnection } from '@/data/connection';
import { readAgreement } from '@/services/agreements/read';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { readAccount } from '@/services/customers/account';
import { readWholeList } from '@/services/lists/deskList';
import { batchJournal } from '@/services/billing/books';
import { makeBatch } from '@/services/billing/batches';
import { paymentList } from '@/services/payments/paymentList';
import { recordPayment } from '@/services/payments/payments';
import { recordPaymentOver } from '@/services/payments/paymentOver';
import { refundCredit } from '@/services/payments/moves';
import { readReceipt } from '@/services/payments/receipt';
import { listMethods } from '@/services/settings/methods';
import { readSettings, saveSettings } from '@/services/settings/settings';
import { newAgreement, newCompany, refusal } from '../support/desk';

afterAll(closeConnection);

let keys = 0;
const key = () => `own-method-${process.pid}-${(keys += 1)}`;

test('a company calls the ways it is paid as it likes; they are booked as the known ones', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  expect((await listMethods(actor)).map(({ name }) => name)).toEqual([
    'Check',
    'ACH',
    'Wire',
    'Bank transfer',
    'Cash',
    'Card by phone',
  ]);
  const { company } = await readSettings(actor);
  const { validityDays, paymentDays, depositInvoiceOnAcceptance, usual, pricing, money } = company;
  const methods = [
    { id: 'm1', name: 'Money order', like: 'cheque' as const },
    { id: 'm2', name: 'Pocket app', like: 'transfer' as const },
  ];
  await saveSettings(actor, {
    ...{ validityDays, paymentDays, depositInvoiceOnAcceptance, usual, pricing },
    money: { ...money, methods },
  });
  expect(await listMethods(actor)).toEqual(methods);

  const { customer, invoices } = await readAgreement(actor, agreementId);
  const payment = {
    ...{
      agreementId,
      method: 'cheque' as const,
      amount: '20',
      receivedOn: '2026-05-01',
      reference: '',
      sure: true,
    },
  };
  const named = { ...payment, methodName: 'Money order', idempotencyKey: key() };
  const { id } = await recordPayment(actor, named);
  expect(await recordPayment(actor, named)).toEqual({ id });
  // A usual name is no name of its own.
  await recordPayment(actor, { ...payment, methodName: 'Check', idempotencyKey: key() });
  await recordPaymentOver(actor, {
    customerId: customer.id,
    ...{
      method: 'transfer',
      methodName: 'Pocket app',
      amount: '30',
      receivedOn: '2026-05-01',
      reference: '',
    },
    ...{ idempotencyKey: key(), sure: true, parts: [{ agreementId, amount: '30' }] },
  });
  expect(
    (await readAgreement(actor, agreementId)).received.map(({ method, methodName }) => [method, methodName]),
  ).toEqual([
    ['cheque', 'Money order'],
    ['cheque', null],
    ['transfer', 'Pocket app'],
  ]);
  expect(await readReceipt(actor, id)).toMatchObject({ method: 'cheque', methodName: 'Money order' });
  const account = await readAccount(actor, customer.id, { from: '2026-01-01', to: '2026-12-31' });
  expect(account.rows.map(({ what }) => what)).toEqual(
    expect.arrayContaining(['Received by Money order', 'Received by check', 'Received by Pocket app']),
  );
  expect((await readInvoice(actor, invoices[0]!.id)).settled.map(({ what }) => what)).toEqual([
    'Money order',
    'check',
    'Pocket app',
  ]);

  // Its list is filtered by each name, and books it where the known way goes.
  const shown = async (method: string) =>
    (await readWholeList(actor, paymentList, { method })).rows.map(({ amount }) => Number(amount));
  expect(await shown('Money order')).toEqual([20]);
  expect(await shown('cheque')).toEqual([20]);
  const { id: batch } = await makeBatch(actor, { from: '2026-01-01', to: '2026-12-31' });
  const debits = (await batchJournal(actor, batch)).filter(({ debit }) => debit !== '');
  const on = (account: string) =>
    debits.filter((row) => row.account === account).map(({ debit }) => Number(debit));
  // Checks and transfers go through one account, until the accountant says otherwise.
  expect(on(usualAccounts.money.cheque).sort()).toEqual([20, 20, 30]);

  // Not among them (any more): said, and nothing recorded.
  const gone = { ...payment, methodName: 'Barter', idempotencyKey: key() };
  expect(await refusal(recordPayment(actor, gone))).toMatchObject({ code: 'unknown-method' });
  expect(await refusal(recordPayment(actor, { ...gone, methodName: 'Pocket app' }))).toMatchObject({
    code: 'unknown-method',
  });
  const refund = {
    agreementId,
    method: 'cash' as const,
    methodName: 'Barter',
    amount: '1',
    paidOn: '2026-05-02',
  };
  expect(
    await refusal(refundCredit(actor, { ...refund, reference: '', idempotencyKey: key() })),
  ).toMatchObject({
    status: 422,
  });
});
