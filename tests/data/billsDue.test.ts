import { issueMany, readBillsDue } from '@/services/billing/billsDue';
import { issueInvoice, saveDraft } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { saveStage } from '@/services/agreements/stages';
import { closeConnection } from '@/data/connection';
import { parseAmount, sumAmounts } from '@/core/number';
import { newAgreement, newCompany, testDocument } from '../support/desk';
import { listMessages, loadMoneyPage } from '../support/lists';

afterAll(closeConnection);

const today = new Date().toISOString().slice(0, 10);
const cents = (text: string) => parseAmount(text, 2);

/** A company with agreements whose frame stands, so that its payment is due. */
async function due(count: number, retained = false) {
  const actor = await newCompany();
  const ids: string[] = [];
  for (let n = 0; n < count; n += 1) {
    const { agreementId } = await newAgreement(actor, {
      ...testDocument(),
      ...(retained ? { billing: { retainage: { percent: '10' } } } : {}),
    });
    await saveStage(actor, { agreementId, name: 'Frame', doneOn: today });
    ids.push(agreementId);
  }
  return { actor, ids };
}

test('what is due is previewed as it is issued then; sent to the customer; the sum of the money page is theirs', async () => {
  const { actor, ids } = await due(2, true);
  const { bills, more } = await readBillsDue(actor);
  expect([bills.map(({ agreementId }) => agreementId).sort(), more]).toEqual([[...ids].sort(), false]);
  expect(sumAmounts(bills.map(({ toBill }) => cents(toBill)))).toBe(
    cents((await loadMoneyPage(actor)).toBill),
  );
  for (const { preview } of bills)
    expect(
      sumAmounts(
        [...preview.sections.map(({ net }) => net), preview.tax, preview.advance, preview.retainage].map(
          cents,
        ),
      ),
    ).toBe(cents(preview.total));
  const { issued } = await issueMany(actor, {
    bills: bills.map(({ agreementId, ask, seen, to }) => ({
      ...{ agreementId, what: ask, seen },
      send: { to, words: 'Thank you.' },
    })),
  });
  expect(issued).toEqual(
    bills.map(({ agreementId }) => ({
      agreementId,
      number: expect.stringMatching(/^\d{4}-\d{3}$/),
      sentTo: 'customer@test.example',
    })),
  );
  for (const { agreementId, preview, dueOn } of bills) {
    const invoice = (await readAgreement(actor, agreementId)).invoices.at(-1)!;
    expect([invoice.title, invoice.total, invoice.dueOn]).toEqual([preview.title, preview.total, dueOn]);
  }
  expect((await listMessages(actor)).filter(({ body }) => body.includes('Thank you.'))).toHaveLength(2);
  expect((await readBillsDue(actor)).bills).toEqual([]);
  expect((await loadMoneyPage(actor)).toBill).toBe('0.00');
});

test('one that is refused keeps none of the others; asked again after a lost answer, nothing is billed twice', async () => {
  const { actor, ids } = await due(2);
  const { bills } = await readBillsDue(actor);
  await issueInvoice(actor, { agreementId: ids[0]!, what: { amount: '1' } });
  const asked = { bills: bills.map(({ agreementId, ask: what, seen }) => ({ agreementId, what, seen })) };
  const first = (await issueMany(actor, asked)).issued;
  expect(first.find(({ agreementId }) => agreementId === ids[0])).toMatchObject({
    refused: expect.stringContaining('while you were looking'),
  });
  expect(first.find(({ agreementId }) => agreementId === ids[1])).toMatchObject({ sentTo: null });
  const count = (await readAgreement(actor, ids[1]!)).invoices.length;
  expect((await issueMany(actor, asked)).issued.every((each) => 'refused' in each)).toBe(true);
  expect((await readAgreement(actor, ids[1]!)).invoices).toHaveLength(count);
});

test('an invoice in work is told; what is not well-formed, too many or of others is refused', async () => {
  const { actor, ids } = await due(1);
  const [bill] = (await readBillsDue(actor)).bills;
  expect(bill!.inWork).toBe(false);
  await saveDraft(actor, {
    ...{ agreementId: ids[0]!, what: bill!.ask, title: '', remark: '' },
    shows: { unbilled: 'hidden', bundles: 'agreed' },
  });
  expect((await readBillsDue(actor)).bills[0]!.inWork).toBe(true);
  const one = { agreementId: ids[0]!, what: bill!.ask, seen: bill!.seen };
  for (const bills of [[], Array.from({ length: 101 }, () => one), [{ ...one, seen: -1 }]])
    await expect(issueMany(actor, { bills })).rejects.toThrow();
  const stranger = await newCompany();
  expect((await issueMany(stranger, { bills: [one] })).issued).toEqual([
    { agreementId: ids[0], refused: expect.any(String) },
  ]);
  expect((await readBillsDue(stranger)).bills).toEqual([]);
});
