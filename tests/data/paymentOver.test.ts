import { readAgreement } from '@/services/agreements/read';
import { readCustomer } from '@/services/customers/customers';
import { readWholeList } from '@/services/lists/deskList';
import { paymentList } from '@/services/payments/paymentList';
import { acceptProposal } from '@/services/booklet/accept';
import { importProposal } from '@/services/proposals/start';
import { recordPaymentOver } from '@/services/payments/paymentOver';
import { closeConnection } from '@/data/connection';
import { parseAmount, sumAmounts, writeAmount } from '@/core/number';
import { newAgreement, newCompany, newCustomer, sendIt, signatureFor, testDocument } from '../support/desk';
import { loadMoneyPage } from '../support/lists';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const today = new Date().toISOString().slice(0, 10);
const cents = (text: string) => parseAmount(text, 2);
const money = (value: bigint) => writeAmount(value as never, 2);

/** A customer with two agreements, the deposit of each open. */
async function two() {
  const actor = await newCompany();
  const place = await newCustomer(actor);
  const ids: string[] = [];
  for (let n = 0; n < 2; n += 1) {
    const token = await sendIt(actor, (await importProposal(actor, place, testDocument())).id);
    const { visitor, input } = await signatureFor(token);
    ids.push((await acceptProposal(visitor, input, 'test')).agreementId);
  }
  const open = async (id: string) =>
    sumAmounts((await readAgreement(actor, id)).invoices.map((invoice) => cents(invoice.open)));
  const pay = (amounts: readonly bigint[], more: object = {}) =>
    recordPaymentOver(actor, {
      customerId: place.customerId,
      ...{ method: 'cheque', receivedOn: today, reference: 'No. 77', idempotencyKey: 'over-two-1' },
      amount: money(sumAmounts(amounts as never)),
      parts: ids.flatMap((agreementId, i) =>
        amounts[i] ? [{ agreementId, amount: money(amounts[i]) }] : [],
      ),
      ...more,
    });
  return { actor, ids, open, pay, customerId: place.customerId };
}

test('one check pays what is open on two agreements; what each has to pay is said beforehand', async () => {
  const { actor, ids, open, pay, customerId } = await two();
  const found = await readCustomer(actor, customerId);
  for (const { id, open: invoices } of found.agreements)
    expect(sumAmounts(invoices.map((each) => cents(each.open)))).toBe(await open(id));
  const both = [await open(ids[0]!), await open(ids[1]!)];
  const { ids: payments } = await pay(both);
  expect(payments).toHaveLength(2);
  for (const id of ids) expect(await open(id)).toBe(0n);
  const { rows } = await readWholeList(actor, paymentList, {});
  expect(rows.map(({ text, amount }) => [text, cents(amount)])).toEqual(
    expect.arrayContaining(both.map((amount) => ['No. 77', amount])),
  );
  expect((await loadMoneyPage(actor)).out).toBe('0.00');
  // A lost answer: asked again, nothing is recorded twice.
  await pay(both);
  expect((await loadMoneyPage(actor)).credit).toBe('0.00');
});

test('what is odd is asked about once, by agreement; nothing is recorded before', async () => {
  const { ids, open, pay } = await two();
  const first = await open(ids[0]!);
  await expect(pay([first + 500n, 100n])).rejects.toMatchObject({
    message: expect.stringContaining('the balance is kept as customer credit'),
  });
  expect(await open(ids[1]!)).toBeGreaterThan(0n);
  await pay([first + 500n, 100n], { sure: true });
  expect(await open(ids[0]!)).toBe(0n);
});

test('parts that do not come to the sum, others’ agreements, one twice, another under the same key: refused whole', async () => {
  const { actor, ids, open, pay } = await two();
  const other = await newAgreement(actor);
  await expect(pay([100n, 200n], { amount: '3.01' })).rejects.toThrow('do not come to what was received');
  const one = { agreementId: ids[0], amount: '1.00' };
  for (const parts of [[one, { agreementId: other.agreementId, amount: '2.00' }], [one, one], []])
    await expect(pay([100n, 200n], { parts })).rejects.toThrow();
  const before = await open(ids[0]!);
  await pay([100n, 0n]);
  await expect(pay([100n, 200n])).rejects.toThrow('under this idempotency key');
  expect(await open(ids[0]!)).toBe(before - 100n);
  await expect(recordPaymentOver(inRole(actor, 'seller'), {})).rejects.toThrow();
});
