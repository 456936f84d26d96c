/* An open page of an agreement learns of whatever moves in it, whoever moves it; and of nothing that does not. */
import { startChangeOrder } from '@/services/proposals/changeOrder';
import { agreementMark } from '@/services/agreements/fresh';
import { dropDraft, issueInvoice, saveDraft } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { putInStage, saveStage } from '@/services/agreements/stages';
import { readCustomer, saveCustomer } from '@/services/customers/customers';
import { recordCost } from '@/services/jobCosting/record';
import { recordPayment } from '@/services/payments/payments';
import { reversePayment } from '@/services/payments/reversal';
import { closeConnection } from '@/data/connection';
import { newAgreement, newCompany } from '../support/desk';

afterAll(closeConnection);
let keys = 0;
const idempotencyKey = () => `fresh-${process.pid}-${(keys += 1)}`;

test('each thing that is recorded, kept, planned or begun is another mark; looking is none', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const other = await newAgreement(actor);
  const read = () => readAgreement(actor, agreementId);
  const marks = new Set<string>();
  const moved = async (what: string, act: () => Promise<unknown>) => {
    await act();
    const mark = await agreementMark(actor, agreementId);
    expect([what, marks.has(mark)]).toEqual([what, false]);
    marks.add(mark);
  };
  const pay = (of: string, amount: string) =>
    recordPayment(actor, {
      agreementId: of,
      sure: true,
      method: 'cheque',
      amount,
      receivedOn: '2026-05-02',
      reference: '',
      idempotencyKey: idempotencyKey(),
    });

  await moved('nothing yet', async () => undefined);
  const still = await agreementMark(actor, agreementId);
  await read();
  await pay(other.agreementId, '5');
  expect(await agreementMark(actor, agreementId)).toBe(still);

  await moved('a payment', () => pay(agreementId, '10'));
  await moved('a payment that did not stay', async () => {
    const [paid] = (await read()).received;
    await reversePayment(actor, {
      paymentId: paid!.id,
      reason: 'bounced',
      on: '2026-05-03',
      idempotencyKey: idempotencyKey(),
    });
  });
  const draft = {
    agreementId,
    what: { amount: '100' },
    title: '',
    shows: { unbilled: 'hidden', bundles: 'agreed' },
    remark: '',
  };
  await moved('an invoice in work', () => saveDraft(actor, draft));
  // Without it the page is as it was.
  await dropDraft(actor, { agreementId });
  expect(marks.has(await agreementMark(actor, agreementId))).toBe(true);
  await moved('an invoice', () => issueInvoice(actor, draft));
  const { lines } = await read();
  await moved('a stage planned', () =>
    saveStage(actor, { agreementId, name: 'Frame', plannedOn: '2026-06-01' }),
  );
  await moved('a line in a stage', () =>
    putInStage(actor, { agreementId, lineIds: [lines[0]!.id], stage: 'Frame' }),
  );
  await moved('a stage done', () => saveStage(actor, { agreementId, name: 'Frame', doneOn: '2026-06-02' }));
  await moved('a cost', () =>
    recordCost(actor, {
      agreementId,
      what: 'Nails',
      costType: 'material',
      amount: '3',
      spentOn: '2026-05-04',
      supplier: '',
      idempotencyKey: idempotencyKey(),
    }),
  );
  const { customer } = await read();
  const { id, ...named } = (await readCustomer(actor, customer.id)).customer;
  await moved('the customer under another name', () =>
    saveCustomer(actor, { ...named, name: 'Ottoline Fenn and daughter' }, id),
  );
  await moved('a change begun', () => startChangeOrder(actor, { agreementId }));
});

test('of another company it says nothing', async () => {
  const { agreementId } = await newAgreement(await newCompany());
  await expect(agreementMark(await newCompany(), agreementId)).rejects.toMatchObject({
    details: { status: 404 },
  });
});
