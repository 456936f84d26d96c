import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { closeConnection, inCompany } from '@/data/connection';
import { readCustomer, offerCustomers, saveCustomer } from '@/services/customers/customers';
import { forgetCustomer } from '@/services/customers/forget';
import { readProposal } from '@/services/proposals/read';
import { importProposal } from '@/services/proposals/start';
import { sendProposal } from '@/services/proposals/send';
import { issueInvoice } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { recordPayment } from '@/services/payments/payments';
import { reversePayment } from '@/services/payments/reversal';
import type { Actor } from '@/services/actor';
import { computeFigures } from '@/core/price';
import { asSuggested } from '@/model';
import { newAgreement, newCompany, refusal, testDocument, visit } from '../support/desk';
import { openBooklet } from '@/services/booklet/open';

afterAll(closeConnection);

/** Words that stand nowhere else, looked for in everything the database holds of the company. */
const PERSON = {
  name: 'Ottoline Quarrenden',
  email: 'ottoline@quarrenden.example',
  phone: '555-0182-77',
  street: '77 Quarrenden Steps',
  note: 'Rings after Quarrenden tea',
};
const marks = ['Quarrenden', '555-0182-77'];

/** Every row of every table of the company that says one of the words. */
async function whereSaid(actor: Actor): Promise<string[]> {
  return inCompany(actor, async (tx) => {
    const tables = await tx.execute<{ name: string }>(sql`
      select c.table_name as name from information_schema.columns c
      join information_schema.tables t on t.table_schema = c.table_schema and t.table_name = c.table_name
      where c.table_schema = 'public' and c.column_name = 'company_id' and t.table_type = 'BASE TABLE'`);
    const found: string[] = [];
    for (const { name } of tables.rows) {
      const rows = await tx
        .execute<{ row: string }>(sql`select row_to_json(x)::text as row from ${sql.identifier(name)} x`)
        .catch(() => null);
      if (rows === null) continue;
      for (const { row } of rows.rows) if (marks.some((mark) => row.includes(mark))) found.push(name);
    }
    return [...new Set(found)].sort();
  });
}

async function customerWithOffer(actor: Actor) {
  const { id, siteId } = await saveCustomer(actor, {
    name: PERSON.name,
    contactName: 'Q. Quarrenden',
    email: PERSON.email,
    phone: PERSON.phone,
    billing: { street: PERSON.street, city: 'Marrowby', region: '', postcode: '', country: 'US' },
    internalNote: PERSON.note,
    people: [
      {
        id: randomUUID(),
        name: 'Wim Quarrenden',
        role: '',
        email: '',
        phone: '',
        getsOffers: true,
        getsInvoices: false,
      },
    ],
  });
  const { id: proposalId } = await importProposal(
    actor,
    { customerId: id, siteId: siteId! },
    {
      ...testDocument(),
      title: 'Porch for the Quarrendens',
      coverNote: 'Dear Ottoline Quarrenden,',
      internalNote: PERSON.note,
    },
  );
  const { token } = await sendProposal(actor, {
    proposalId,
    saveNumber: 0,
    to: PERSON.email,
    words: 'Dear Ottoline Quarrenden,',
  });
  return { id, proposalId, token };
}

test('of who signed nothing, nothing is left in any table; figures of the offer are', async () => {
  const actor = await newCompany();
  const { id, proposalId, token } = await customerWithOffer(actor);
  expect(await whereSaid(actor)).toEqual(
    expect.arrayContaining(['customer', 'message', 'proposal', 'revision', 'site']),
  );
  const before = await readProposal(actor, proposalId);
  await forgetCustomer(actor, id, PERSON.name);
  expect(await whereSaid(actor)).toEqual([]);
  const after = await readProposal(actor, proposalId);
  expect(after.state).toBe('withdrawn');
  expect(after.document.title).toBe('Removed proposal');
  expect(computeFigures(after.document, asSuggested).total).toBe(
    computeFigures(before.document, asSuggested).total,
  );
  // What is kept of the sent revision still says that it is whole.
  expect(after.revisions.every(({ intact }) => intact)).toBe(true);
  expect((await readCustomer(actor, id)).forgotten).toBe(true);
  expect((await offerCustomers(actor, { words: 'Removed' })).found).toEqual([]);
  await expect(visit(token).then(openBooklet)).rejects.toThrow();
});

test('what was signed and billed stays to the letter; what is open is settled first', async () => {
  const actor = await newCompany({ depositInvoiceOnAcceptance: true });
  const { agreementId } = await newAgreement(actor);
  const [row] = await inCompany(
    actor,
    async (tx) =>
      (
        await tx.execute<{ customer: string; invoice: string; total: string }>(sql`
      select a.customer_id as customer, i.id as invoice, i.total::text as total
      from agreement a join invoice i on i.agreement_id = a.id where a.id = ${agreementId}`)
      ).rows,
  );
  expect((await refusal(forgetCustomer(actor, row!.customer, 'Test Customer'))).code).toBe('customer-owes');
  let paid = 0;
  const pay = (amount: string) =>
    recordPayment(actor, {
      agreementId,
      sure: true,
      amount,
      method: 'cheque',
      receivedOn: new Date().toISOString().slice(0, 10),
      reference: '',
      idempotencyKey: `forget-${agreementId}-${(paid += 1)}`,
    });
  const refused = async () => (await refusal(forgetCustomer(actor, row!.customer, 'Test Customer'))).code;
  await pay(row!.total);
  // The deposit is paid, and the work is still to come.
  expect(await refused()).toBe('work-under-way');
  await issueInvoice(actor, { agreementId, what: { rest: true } });
  expect(await refused()).toBe('customer-owes');
  const { standing } = await readAgreement(actor, agreementId);
  await pay(standing.billedUnpaid);
  // What they have to their credit is theirs.
  await pay('5');
  expect(await refused()).toBe('customer-owes');
  const { received } = await readAgreement(actor, agreementId);
  await reversePayment(actor, {
    paymentId: received.find(({ amount }) => amount === '5.00')!.id,
    kind: 'void',
    reason: 'mistake',
    idempotencyKey: `forget-${agreementId}-void`,
  });
  const papers = async () =>
    inCompany(actor, async (tx) =>
      JSON.stringify(
        (await tx.execute(sql`select row_to_json(i)::text as row from invoice i order by id`)).rows,
      ),
    );
  const before = await papers();
  const signed = async () => {
    const [found] = await inCompany(
      actor,
      async (tx) =>
        (
          await tx.execute<{ row: string }>(
            sql`select row_to_json(a)::text as row from agreement a where a.id = ${agreementId}`,
          )
        ).rows,
    );
    return found!.row;
  };
  const agreement = await signed();
  await forgetCustomer(actor, row!.customer, 'Test Customer');
  expect(await papers()).toBe(before);
  expect(before).toContain('Test Customer');
  expect(await signed()).toBe(agreement);
  expect((await readCustomer(actor, row!.customer)).customer.name).toMatch(/^Removed customer, /);
});

test('only by its name, once, by who may; another company’s is not there', async () => {
  const actor = await newCompany();
  const other = await newCompany();
  const { id } = await customerWithOffer(actor);
  expect((await refusal(forgetCustomer(actor, id, 'Somebody else'))).code).toBe('name-other');
  expect((await refusal(forgetCustomer(other, id, PERSON.name))).code).toBe('no-such-customer');
  await forgetCustomer(actor, id, PERSON.name);
  const again = await refusal(forgetCustomer(actor, id, PERSON.name));
  expect(again.code).toBe('customer-forgotten');
  expect(
    (
      await refusal(
        saveCustomer(
          actor,
          {
            name: 'Back again',
            contactName: '',
            email: '',
            phone: '',
            billing: { street: '1 A', city: 'B', region: '', postcode: '', country: 'US' },
            internalNote: '',
          },
          id,
        ),
      )
    ).code,
  ).toBe('customer-forgotten');
});

test('by other roads nothing that is only added to is changed, whatever a connection says of itself', async () => {
  const actor = await newCompany();
  await customerWithOffer(actor);
  await expect(
    inCompany(actor, async (tx) => {
      await tx.execute(sql`select set_config('app.forgetting', 'customer', true)`);
      await tx.execute(sql`update audit set detail = '{}'`);
    }),
  ).rejects.toThrow();
});
