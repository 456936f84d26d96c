import { sql } from 'drizzle-orm';
import { creditInvoice, issueInvoice } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { loadMoneyPage } from '../support/lists';
import { putCredit, refundCredit } from '@/services/payments/moves';
import { recordPayment } from '@/services/payments/payments';
import { reversePayment } from '@/services/payments/reversal';
import { closeConnection, inCompany } from '@/data/connection';
import { newAgreement, newCompany, testDocument } from '../support/desk';
import { asOwner } from '../support/owner';

afterAll(closeConnection);

/** Rows in which the sums kept by the database and the sums of everything there is differ, over all companies. */
const drifted = () =>
  asOwner(async (tx) => {
    const compared = await tx.execute(sql`
      (select 'open' as what, company_id, invoice_id as id, open::text from invoice_open
         except select 'open', company_id, invoice_id, open::text from summed_open())
      union all (select 'open', company_id, invoice_id, open::text from summed_open()
         except select 'open', company_id, invoice_id, open::text from invoice_open)
      union all (select 'open of', o.company_id, o.invoice_id, '' from invoice_open o
         join invoice i on i.company_id = o.company_id and i.id = o.invoice_id where o.agreement_id <> i.agreement_id)
      union all (select 'money', company_id, agreement_id, round(billed, 6) || ' ' || round(held, 6) || ' ' || round(credit, 6) from agreement_money
         except select 'money', company_id, agreement_id, round(billed, 6) || ' ' || round(held, 6) || ' ' || round(credit, 6) from summed_money())
      union all (select 'money', company_id, agreement_id, round(billed, 6) || ' ' || round(held, 6) || ' ' || round(credit, 6) from summed_money()
         except select 'money', company_id, agreement_id, round(billed, 6) || ' ' || round(held, 6) || ' ' || round(credit, 6) from agreement_money)`);
    return compared.rows;
  });

test('the sums the database keeps are the sums of everything, after each thing that can happen', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor, {
    ...testDocument(),
    billing: { retainage: { percent: '10' }, deposit: 'advance' },
  });
  expect(await drifted()).toEqual([]);
  const frame = await issueInvoice(actor, { agreementId, what: { entryId: 'frame' } });
  expect(await drifted()).toEqual([]);
  expect((await loadMoneyPage(actor)).held).toBe((await readAgreement(actor, agreementId)).held);
  await creditInvoice(actor, { invoiceId: frame.id, what: { amount: '120.55' }, remark: '' });
  expect(await drifted()).toEqual([]);
  const { id } = await recordPayment(actor, {
    sure: true,
    agreementId,
    method: 'cheque',
    amount: '99999',
    receivedOn: '2026-05-01',
    reference: '',
    idempotencyKey: `sums-${process.pid}-1`,
  });
  expect(await drifted()).toEqual([]);
  await issueInvoice(actor, { agreementId, what: { rest: true } });
  await issueInvoice(actor, { agreementId, what: { release: 'all' } });
  expect(await drifted()).toEqual([]);
  await reversePayment(actor, {
    paymentId: id,
    reason: 'returned',
    on: '2026-05-02',
    idempotencyKey: `sums-${id}`,
  });
  expect(await drifted()).toEqual([]);
  await recordPayment(actor, {
    sure: true,
    agreementId,
    method: 'cheque',
    amount: '50',
    receivedOn: '2026-05-03',
    reference: '',
    idempotencyKey: `sums-${process.pid}-2`,
    parts: [],
  });
  await refundCredit(actor, {
    agreementId,
    method: 'cash',
    amount: '20',
    paidOn: '2026-05-03',
    reference: '',
    idempotencyKey: `sums-refund-${process.pid}`,
  });
  await putCredit(actor, { agreementId });
  expect(await drifted()).toEqual([]);
  const { out, credit } = await loadMoneyPage(actor);
  const { standing, credit: own } = await readAgreement(actor, agreementId);
  expect([out, credit]).toEqual([standing.billedUnpaid, own]);
});

test('nobody but the database writes them', async () => {
  const actor = await newCompany();
  await newAgreement(actor);
  for (const statement of [
    sql`update invoice_open set open = 0`,
    sql`delete from agreement_money`,
    sql`insert into agreement_money (company_id, agreement_id) values (${actor.companyId}, ${actor.companyId})`,
    sql`select add_to_agreement(${actor.companyId}::uuid, ${actor.companyId}::uuid, 1, 1, 1)`,
  ])
    await expect(inCompany(actor, (tx) => tx.execute(statement))).rejects.toMatchObject({
      cause: expect.objectContaining({ message: expect.stringContaining('permission denied') }),
    });
});
