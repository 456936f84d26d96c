import { sql } from 'drizzle-orm';
import { listAgreements, listMessages } from '../support/lists';
import { readAgreement } from '@/services/agreements/read';
import { readProgressBilling } from '@/services/billing/progressBilling';
import { previewBooklet } from '@/services/booklet/preview';
import { offerCustomers, readCustomer } from '@/services/customers/customers';
import { findItems, listItems, listTemplates } from '@/services/library/library';
import { listRates } from '@/services/library/rates';
import { loadMoneyPage } from '../support/lists';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { exportDocument, invoicePaperPdf, invoicePaperXml, proposalPaper } from '@/services/downloads/papers';
import type { Problem } from '@/services/problem';
import { offerProposals } from '@/services/proposals/offerProposals';
import { listProposals, readProposal } from '@/services/proposals/read';
import { readPeople } from '@/services/people/people';
import { closeConnection, inCompany } from '@/data/connection';
import { ensureDatabase, migrateDatabase } from '@/data/upkeep/migrate';
import { newAgreement, newCompany, newProposal } from '../support/desk';
import { asOwner } from '../support/owner';

afterAll(closeConnection);

const rowsOf = async <T extends Record<string, unknown>>(query: string): Promise<T[]> =>
  asOwner(async (tx) => (await tx.execute(sql.raw(query))).rows as T[]);

const causeOf = async (promise: Promise<unknown>): Promise<string> =>
  promise.then(
    () => 'was not refused',
    (error: Error) => (error.cause as Error | undefined)?.message ?? error.message,
  );

describe('every table', () => {
  /** What is of a person, or of nobody, and not of a company. */
  const ofNoCompany = ['account_letter', 'attempt', 'email_link', 'password_link', 'person', 'recovery_code'];

  test('that belongs to a company has it first in its key and is guarded by row level security', async () => {
    const tables = await rowsOf<{ name: string; guarded: boolean; policies: number; first_key: string }>(`
      select c.relname as name, c.relrowsecurity as guarded,
        (select count(*)::int from pg_policy p where p.polrelid = c.oid and p.polpermissive) as policies,
        (select a.attname from pg_index i join pg_attribute a on a.attrelid = c.oid and a.attnum = i.indkey[0]
          where i.indrelid = c.oid and i.indisprimary) as first_key
      from pg_class c join pg_namespace n on n.oid = c.relnamespace
      where n.nspname = 'public' and c.relkind = 'r'`);
    expect(tables.length).toBeGreaterThan(20);
    for (const { name, guarded, policies, first_key } of tables.filter(
      ({ name: of }) => !ofNoCompany.includes(of),
    ))
      expect([name, guarded, policies, first_key]).toEqual([
        name,
        true,
        1,
        name === 'company' ? 'id' : 'company_id',
      ]);
    // What is of a person is guarded too; tries at the doors are nobody's.
    const open = tables.filter(({ guarded }) => !guarded).map(({ name }) => name);
    expect(open).toEqual(['attempt']);
  });

  test('of a proposal or an agreement is seen by who sells it, where they see their own work only', async () => {
    const tables = await rowsOf<{ name: string; own: boolean }>(`
      select c.relname as name, exists (select 1 from pg_policy p
        where p.polrelid = c.oid and p.polname = 'own_work' and not p.polpermissive) as own
      from pg_class c join pg_namespace n on n.oid = c.relnamespace
      where n.nspname = 'public' and c.relkind = 'r' and exists (select 1 from pg_attribute a
        where a.attrelid = c.oid and a.attname in ('agreement_id', 'proposal_id') and not a.attisdropped)`);
    // A layout of invoices says nothing of the work.
    expect(tables.filter(({ own }) => !own).map(({ name }) => name)).toEqual(['paper_layout']);
    expect(tables.length).toBeGreaterThan(25);
  });

  test('has a company in every foreign key to another table of the company', async () => {
    const keys = await rowsOf<{ name: string; columns: string[]; target: string }>(`
      select k.conname as name, k.confrelid::regclass::text as target,
        array(select a.attname::text from pg_attribute a where a.attrelid = k.conrelid and a.attnum = any (k.conkey)) as columns
      from pg_constraint k where k.contype = 'f' and k.connamespace = 'public'::regnamespace`);
    expect(keys.length).toBeGreaterThan(20);
    for (const { name, columns } of keys.filter(({ target }) => target !== 'person'))
      expect([name, columns.includes('company_id')]).toEqual([name, true]);
  });

  test('of what was signed, sent, issued or paid refuses change and deletion, also from its owner', async () => {
    await newAgreement(await newCompany());
    const kept = await rowsOf<{ name: string }>(
      `select tgrelid::regclass::text as name from pg_trigger where tgname = 'append_only'`,
    );
    expect(kept.map(({ name }) => name).sort()).toEqual(
      [
        ...['agreement', 'agreement_line', 'agreement_line_tax', 'agreement_payment', 'agreement_tax'],
        ...['agreement_allowance', 'agreement_payment_change', 'change_order', 'change_order_tax'],
        ...['selection', 'signing'],
        ...[
          'audit',
          'card_charge',
          'card_event',
          'cost_entry',
          'decline',
          'export_batch',
          'export_item',
          'draw',
          'draw_tax',
          'invoice',
          'item_cost',
        ],
        ...[
          'payment',
          'allocation',
          'payment_reversal',
          'refund',
          'invoice_adjustment',
          'invoice_adjustment_tax',
        ],
        ...['proposal_edit', 'reminder', 'revision', 'sealed'],
      ].sort(),
    );
    for (const name of ['agreement', 'agreement_line', 'invoice', 'draw', 'revision', 'audit']) {
      expect(await causeOf(rowsOf(`delete from ${name}`))).toContain('append-only');
      expect(await causeOf(rowsOf(`update ${name} set company_id = company_id`))).toContain('append-only');
    }
  });
});

describe('what does not add up is not stored', () => {
  // A copy with the next number of its series, properly taken.
  const copyOf = (table: 'agreement' | 'invoice', where: string, change: string) => {
    const series = table === 'agreement' ? `'agreement'` : `t.series || ' ' || t.year`;
    const of = `s.company_id = t.company_id and s.series = ${series}`;
    return `update number_series s set last = last + 1 from ${table} t where ${of} and t.${where};
      insert into ${table} select (jsonb_populate_record(t, ${change} || jsonb_build_object(
        'id', gen_random_uuid(), 'number', s.last, 'label', 'copy-' || s.last))).*
      from ${table} t join number_series s on ${of} where t.${where}`;
  };

  test('an agreement whose lines do not make its sum', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    const other = await newProposal(actor);
    const change = `jsonb_build_object('proposal_id', '${other}', 'idempotency_key', 'copy-of-it')`;
    const answer = await causeOf(rowsOf(copyOf('agreement', `id = '${agreementId}'`, change)));
    expect(answer).toContain('does not add up');
  });

  test('a second agreement on one proposal, a second invoice for one payment', async () => {
    const { agreementId } = await newAgreement(await newCompany());
    const again = `jsonb_build_object('idempotency_key', 'copy-two')`;
    expect(await causeOf(rowsOf(copyOf('agreement', `id = '${agreementId}'`, again)))).toContain('unique');
    const invoice = `'{}'::jsonb`;
    expect(await causeOf(rowsOf(copyOf('invoice', `agreement_id = '${agreementId}'`, invoice)))).toContain(
      'unique',
    );
  });

  test('an invoice without its draws', async () => {
    const { agreementId } = await newAgreement(await newCompany());
    const bare = `jsonb_build_object('position', 99, 'entry_id', null)`;
    expect(await causeOf(rowsOf(copyOf('invoice', `agreement_id = '${agreementId}'`, bare)))).toContain(
      'does not add up',
    );
  });
});

test('migrations: from empty, twice, and three at the same moment', async () => {
  const url = new URL(process.env.DATABASE_OWNER_URL!);
  const name = `impegno_fresh_${process.pid}_${Date.now()}`;
  url.pathname = `/${name}`;
  await ensureDatabase(url.href);
  try {
    await Promise.all([1, 2, 3].map(() => migrateDatabase(url.href)));
    await migrateDatabase(url.href);
    await ensureDatabase(url.href);
  } finally {
    await rowsOf('select 1');
    const { Client } = (await import('pg')).default;
    const client = new Client({ connectionString: process.env.DATABASE_OWNER_URL });
    await client.connect();
    const done = await client.query<{ count: number }>(
      `select count(*)::int as count from pg_database where datname = $1`,
      [name],
    );
    await client.query(`drop database "${name}" with (force)`);
    await client.end();
    expect(done.rows[0]?.count).toBe(1);
  }
});

describe('no act shows one company what is another’s', () => {
  test('reading by identity answers as if it were not there', async () => {
    const [ours, theirs] = [await newCompany(), await newCompany()];
    const { agreementId } = await newAgreement(theirs);
    const agreement = await readAgreement(theirs, agreementId);
    const invoiceId = agreement.invoices[0]!.id;
    const { proposalId } = agreement;
    const customerId = agreement.customer.id;
    const reads: [string, (actor: typeof ours) => Promise<unknown>][] = [
      ['agreement', (actor) => readAgreement(actor, agreementId)],
      ['invoice to come', (actor) => readProgressBilling(actor, agreementId)],
      ['invoice', (actor) => readInvoice(actor, invoiceId)],
      ['invoice as PDF', (actor) => invoicePaperPdf(actor, invoiceId)],
      ['invoice as XML', (actor) => invoicePaperXml(actor, invoiceId)],
      ['proposal', (actor) => readProposal(actor, proposalId)],
      ['document', (actor) => exportDocument(actor, proposalId)],
      ['preview', (actor) => previewBooklet(actor, proposalId)],
      ['proposal as PDF', (actor) => proposalPaper(actor, proposalId)],
      ['customer', (actor) => readCustomer(actor, customerId)],
    ];
    for (const [what, read] of reads) {
      await read(theirs);
      const status = await read(ours).then(
        () => 200,
        (error: Problem) => error.details?.status ?? String(error),
      );
      expect([what, status]).toEqual([what, 404]);
    }
  });

  test('lists are empty', async () => {
    const [ours, theirs] = [await newCompany(), await newCompany()];
    await newAgreement(theirs);
    const lists = [
      listAgreements(ours).then(({ rows }) => rows),
      offerCustomers(ours).then(({ found }) => found),
      offerProposals(ours).then(({ found }) => found),
      listProposals(ours),
      listItems(ours),
      listRates(ours),
      listTemplates(ours),
      listMessages(ours),
      findItems(ours, 'joist'),
    ];
    for (const list of await Promise.all(lists)) expect(list).toEqual([]);
    expect(await loadMoneyPage(ours)).toMatchObject({ out: '0.00', invoices: [], payments: [] });
    expect((await readPeople(ours)).people.map(({ name }) => name)).toEqual(['Test Owner']);
    // And without a company there is nothing at all.
    const nobody = inCompany('00000000-0000-7000-8000-000000000000', (tx) =>
      tx.execute(sql`select * from agreement`),
    );
    expect((await nobody).rows).toEqual([]);
  });
});
