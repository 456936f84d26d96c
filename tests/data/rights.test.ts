/* What no SQL may do under the server's own login: each is attempted as that login, and each is refused. */
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Client } from 'pg';
import { issueInvoice } from '@/services/billing/issue';
import { makeBatch } from '@/services/billing/batches';
import { closeConnection, inCompany, onlyAsServer, TooMuchPower } from '@/data/connection';
import { makeRoles } from '@/data/upkeep/roles';
import { newAgreement, newCompany, newProposal, sendIt, testDocument } from '../support/desk';
import { asOwner } from '../support/owner';
import { sql } from 'drizzle-orm';

const server = new Client({ connectionString: process.env.DATABASE_URL });
let company = '';
let agreement = '';
let other = '';
let sent = '';
let theirs = '';

beforeAll(async () => {
  await server.connect();
  const actor = await newCompany();
  company = actor.companyId;
  // Of two lines one is not taxed, so that a tax can be attempted on it.
  const document = structuredClone(testDocument()) as {
    taxClasses: unknown[];
    sections: { entries: { alternatives?: { lines: { taxClass?: string }[] }[] }[] }[];
  };
  document.taxClasses.push({ id: 'free', name: 'Not taxed', components: [] });
  document.sections[0]!.entries[2]!.alternatives![0]!.lines[0]!.taxClass = 'free';
  agreement = (await newAgreement(actor, document as never)).agreementId;
  await issueInvoice(actor, {
    agreementId: agreement,
    what: { lines: [{ line: 'l1', to: { percent: '40' } }] },
  });
  other = (await newAgreement(actor)).agreementId;
  sent = await newProposal(actor);
  await sendIt(actor, sent);
  const today = new Date().toISOString().slice(0, 10);
  await makeBatch(actor, { from: today, to: today });
  theirs = (await newCompany()).companyId;
});

afterAll(async () => {
  await server.end();
  await closeConnection();
});

/** What the database says to some statements, made as the server makes them. */
async function answerTo(statements: string, before = ''): Promise<string> {
  try {
    await server.query('begin');
    if (before) await server.query(before);
    await server.query(`set local role impegno_app; select set_config('app.company', '${company}', true)`);
    await server.query(statements);
    await server.query('commit');
    return 'done';
  } catch (error) {
    await server.query('rollback');
    return (error as Error).message;
  }
}

const copy = (table: string, where: string, change: string, more = '') =>
  `insert into ${table} select (jsonb_populate_record(t, jsonb_build_object(${change}))).* from ${table} t where ${where} ${more}`;
const anInvoice = () =>
  `t.invoice_id = (select id from invoice where agreement_id = '${agreement}' and position = 2)`;
const ofAgreement = () => `t.agreement_id = '${agreement}'`;

/** What is attempted, and what the refusal says. */
const attempts: [string, () => string, RegExp][] = [
  // Parts of what is issued.
  [
    'a line added to an invoice',
    () => copy('draw', anInvoice(), `'line_id', 'l3', 'net', 0`, 'limit 1'),
    /is finished/,
  ],
  [
    'a tax added to an invoice',
    () => `insert into draw_tax select d.company_id, d.invoice_id, d.line_id, d.agreement_id, 0, 0
      from draw d join invoice i on i.id = d.invoice_id
      where d.agreement_id = '${agreement}' and d.line_id = 'l3' and i.position = 1`,
    /is finished/,
  ],
  [
    'retainage added to an invoice',
    () =>
      `insert into invoice_adjustment select company_id, id, agreement_id, 'retainage', 'taxed', 0 from invoice where agreement_id = '${agreement}' and position = 2`,
    /is finished/,
  ],
  [
    'a paper put into a batch that is out',
    () =>
      `insert into export_item select company_id, 'invoice', gen_random_uuid(), id from export_batch limit 1`,
    /is finished/,
  ],
  // Parts of what is signed.
  [
    'a line added to an agreement',
    () => copy('agreement_line', ofAgreement(), `'line_id', 'new', 'net', 0`, 'limit 1'),
    /is finished/,
  ],
  [
    'a tax added to an agreed line',
    () => copy('agreement_line_tax', ofAgreement(), `'line_id', 'l3'`, 'limit 1'),
    /is finished/,
  ],
  [
    'a tax added to an agreement',
    () => copy('agreement_tax', ofAgreement(), `'position', 9, 'amount', 0, 'base', 0`, 'limit 1'),
    /is finished/,
  ],
  [
    'a payment added to an agreement',
    () => copy('agreement_payment', ofAgreement(), `'entry_id', 'new', 'amount', 0`, 'limit 1'),
    /is finished/,
  ],
  [
    'an allowance put on an agreed line',
    () =>
      `insert into agreement_allowance select company_id, agreement_id, line_id, '{}', 1 from agreement_line t where ${ofAgreement()} limit 1`,
    /is finished/,
  ],
  [
    'a change order nobody signed',
    () => `insert into change_order select t.company_id, gen_random_uuid(), t.id, 1, '${sent}', r.id, 'x', '{}', 0, 0, 0, now()
      from agreement t, revision r where t.id = '${agreement}' and r.proposal_id = '${sent}'`,
    /is not signed/,
  ],
  // Numbers.
  [
    'an invoice out of its series',
    () =>
      copy(
        'invoice',
        `${ofAgreement()} and position = 2`,
        `'id', gen_random_uuid(), 'position', 9, 'number', 77, 'label', 'x'`,
      ),
    /not the number just taken/,
  ],
  [
    'an invoice of another year',
    () => `update number_series set last = last + 1 where series like 'invoice %';
      ${copy('invoice', `${ofAgreement()} and position = 2`, `'id', gen_random_uuid(), 'position', 9, 'number', t.number + 1, 'label', 'x', 'issued_on', '2001-01-01'`)}`,
    /number just taken|does not belong/,
  ],
  [
    'a series set back',
    () => `update number_series set last = 1 where series like 'invoice %'`,
    /goes on by one/,
  ],
  [
    'a series that leaps',
    () => `update number_series set last = last + 2 where series like 'invoice %'`,
    /goes on by one/,
  ],
  [
    'a series renamed',
    () => `update number_series set series = 'old' where series like 'invoice %'`,
    /goes on by one/,
  ],
  ['a series removed', () => `delete from number_series`, /permission denied/],
  [
    'a number that is taken and not used',
    () => `update number_series set last = last + 1 where series like 'invoice %'`,
    /has no paper/,
  ],
  [
    'a series begun in the middle',
    () => `insert into number_series values ('${company}', 'invoice 1999', 50)`,
    /begins with one/,
  ],
  // Signatures.
  [
    'a signature copied to another agreement',
    () =>
      copy(
        'signing',
        ofAgreement(),
        `'id', gen_random_uuid(), 'subject', '${other}', 'agreement_id', '${other}'`,
      ),
    /is not of/,
  ],
  [
    'a signature copied under another kind',
    () => copy('signing', ofAgreement(), `'id', gen_random_uuid(), 'kind', 'selections'`),
    /is not of/,
  ],
  [
    'a second signature under an agreement',
    () => copy('signing', ofAgreement(), `'id', gen_random_uuid(), 'kind', 'proposal'`),
    /unique|is finished/,
  ],
  [
    'a signature whose hash is not its statement’s',
    () => copy('signing', ofAgreement(), `'id', gen_random_uuid(), 'sha256', repeat('0', 64)`),
    /is not of/,
  ],
  [
    'an agreement without a signature',
    () => `update number_series set last = last + 1 where series = 'agreement';
      insert into agreement select (jsonb_populate_record(t, jsonb_build_object('id', gen_random_uuid(), 'number', s.last,
        'proposal_id', '${sent}', 'net', 0, 'tax', 0, 'total', 0))).* from agreement t, number_series s
      where t.id = '${agreement}' and s.series = 'agreement'`,
    /is not signed/,
  ],
  // What is final.
  ...[
    'agreement',
    'agreement_line',
    'agreement_line_tax',
    'agreement_tax',
    'agreement_payment',
    'invoice',
    'draw',
    'draw_tax',
    'invoice_adjustment',
    'payment',
    'payment_reversal',
    'refund',
    'allocation',
    'signing',
    'selection',
    'change_order',
    'revision',
    'decline',
    'audit',
    'proposal_edit',
    'card_event',
    'cost_entry',
    'export_batch',
    'export_item',
    'reminder',
    'sealed',
    'message',
    'kept_file',
    'item_cost',
    'invoice_open',
    'agreement_money',
  ].flatMap((table): [string, () => string, RegExp][] => [
    [`${table} deleted`, () => `delete from ${table}`, /permission denied|append-only/],
    [
      `${table} changed`,
      () => `update ${table} set company_id = company_id`,
      /permission denied|append-only/,
    ],
    [`${table} emptied`, () => `truncate ${table} cascade`, /permission denied/],
  ]),
  [
    'an accepted proposal opened again',
    () => `update proposal set state = 'draft' where state = 'accepted'`,
    /is accepted/,
  ],
  [
    'an accepted document changed',
    () => `update proposal set document = document || '{"title":"x"}' where state = 'accepted'`,
    /is accepted/,
  ],
  // The record of who did what.
  [
    'an act of somebody who is not of the company',
    () =>
      `insert into audit select '${company}', gen_random_uuid(), now(), gen_random_uuid(), 'x', gen_random_uuid(), '{}'`,
    /nobody who can act/,
  ],
  [
    'an act in another company',
    () =>
      `insert into audit select '${theirs}', gen_random_uuid(), now(), null, 'x', gen_random_uuid(), '{}'`,
    /row-level security/,
  ],
  [
    'sums written by hand',
    () => `insert into invoice_open select company_id, gen_random_uuid(), now(), 1 from invoice limit 1`,
    /permission denied/,
  ],
  [
    'a paper sealed by hand',
    () => `insert into sealed values ('${company}', gen_random_uuid())`,
    /permission denied/,
  ],
  // More power.
  [
    'the role given back for a greater one',
    () => `reset role; select count(*) from invoice`,
    /permission denied/,
  ],
  ['the owner’s role', () => `set role app`, /permission denied to set role/],
  ['checks switched off', () => `set session_replication_role = replica`, /permission denied/],
  ['a trigger switched off', () => `alter table invoice disable trigger all`, /must be owner/],
  ['a rule dropped', () => `drop policy own_company on invoice`, /must be owner/],
  [
    'row security switched off',
    () => `set local row_security = off; select count(*) from invoice`,
    /row-level security|permission denied/,
  ],
  ['a table of its own beside ours', () => `create table public.draw_2 (x int)`, /permission denied/],
  [
    'a temporary table in the place of ours',
    () => `create temporary table draw (company_id uuid)`,
    /permission denied/,
  ],
  [
    'a function replaced',
    () =>
      `create or replace function refuse_change() returns trigger language plpgsql as 'begin return new; end'`,
    /permission denied|must be owner/,
  ],
  ['a file of the machine', () => `copy invoice to '/tmp/impegno-stolen'`, /permission denied|superuser/],
  [
    'what is asked before the company is known, of a table',
    () =>
      `select set_config('app.company', '', true); insert into company select * from company limit 0; select 1 / count(*) from company`,
    /division by zero/,
  ],
];

test.each(attempts)('%s', async (_, statements, refusal) => {
  expect(await answerTo(statements())).toMatch(refusal);
});

test('the checks at the end of a transaction look at the company of the row, whatever company is set by then', async () => {
  const said = await answerTo(
    `update number_series set last = last + 1 where series like 'invoice %';
     insert into invoice select (jsonb_populate_record(t, jsonb_build_object('id', gen_random_uuid(), 'position', 9,
       'number', s.last, 'label', 'x', 'entry_id', null, 'net', 99999, 'tax', 0, 'total', 99999))).*
     from invoice t, number_series s where t.agreement_id = '${agreement}' and t.position = 2 and s.series like 'invoice %';
     insert into draw select company_id, id, agreement_id, 'l1', 99999 from invoice where agreement_id = '${agreement}' and position = 9;
     select set_config('app.company', '${theirs}', true)`,
  );
  expect(said).toMatch(/would be billed to/);
});

test('who did what is dated by the database, whatever is said', async () => {
  const id = '01a00000-0000-7000-8000-00000000abcd';
  expect(
    await answerTo(
      `insert into audit values ('${company}', '${id}', '2001-01-01', null, 'forged', '${id}', '{}')`,
    ),
  ).toBe('done');
  const [row] = await asOwner(
    async (tx) =>
      (
        await tx.execute<{ old: boolean }>(
          sql`select at < now() - interval '1 minute' as old from audit where company_id = ${company} and id = ${id}`,
        )
      ).rows,
  );
  expect(row).toEqual({ old: false });
});

test('the server’s login owns nothing, passes no rule, and without the role of the application sees nothing', async () => {
  const { rows } = await server.query(
    `select rolsuper, rolbypassrls, rolcreaterole, rolcreatedb, rolreplication, rolinherit,
       (select count(*)::int from pg_shdepend where refobjid = r.oid and deptype = 'o') as owns,
       array(select b.rolname::text from pg_auth_members m join pg_roles b on b.oid = m.roleid where m.member = r.oid) as of
     from pg_roles r where rolname = current_user`,
  );
  expect(rows).toEqual([
    {
      rolsuper: false,
      rolbypassrls: false,
      rolcreaterole: false,
      rolcreatedb: false,
      rolreplication: false,
      rolinherit: false,
      owns: 0,
      of: ['impegno_app'],
    },
  ]);
  await expect(server.query('select 1 from company')).rejects.toThrow('permission denied');
});

test('the server does not work under the owner’s login', async () => {
  const own = process.env.DATABASE_URL;
  await closeConnection();
  process.env.DATABASE_URL = process.env.DATABASE_OWNER_URL!;
  try {
    onlyAsServer();
    await expect(inCompany(company, () => Promise.resolve(1))).rejects.toThrow(TooMuchPower);
  } finally {
    await closeConnection();
    process.env.DATABASE_URL = own!;
    onlyAsServer();
  }
  await expect(inCompany(company, () => Promise.resolve(1))).resolves.toBe(1);
});

test('a dump goes into a fresh cluster, where the roles are made first; then the server works there', async () => {
  const home = fs.mkdtempSync(path.join(os.tmpdir(), 'impegno-restored-'));
  fs.chmodSync(home, 0o755);
  const cluster = (what: string) =>
    execFileSync(process.execPath, ['scripts/cluster.mjs', what], {
      env: { ...process.env, NODE_OPTIONS: '', IMPEGNO_DATA_DIR: path.join(home, 'cluster') },
      encoding: 'utf8',
    });
  const bin = `/usr/lib/postgresql/${fs.readdirSync('/usr/lib/postgresql').sort((a, b) => Number(b) - Number(a))[0]}/bin`;
  const own = process.env.DATABASE_URL!;
  try {
    const dump = path.join(home, 'dump');
    execFileSync(`${bin}/pg_dump`, ['-Fc', '-f', dump, process.env.DATABASE_OWNER_URL!]);
    const { url } = JSON.parse(cluster('start')) as { url: string };
    const fresh = new URL(url);
    const login = new URL(own);
    login.host = fresh.host;
    login.pathname = '/impegno_restored';
    await makeRoles(fresh.href, login.href);
    execFileSync(`${bin}/psql`, ['-qc', 'create database impegno_restored', fresh.href]);
    fresh.pathname = '/impegno_restored';
    execFileSync(`${bin}/pg_restore`, ['--exit-on-error', '--no-owner', '-d', fresh.href, dump]);
    await closeConnection();
    process.env.DATABASE_URL = login.href;
    const read = (tx: Parameters<Parameters<typeof inCompany>[1]>[0]) =>
      tx.execute(
        sql`select (select count(*)::int from invoice) as invoices, (select sum(billed)::text from agreement_money) as billed`,
      );
    const there = (await inCompany(company, read)).rows;
    await closeConnection();
    process.env.DATABASE_URL = own;
    expect(there).toEqual((await inCompany(company, read)).rows);
    expect(there).toMatchObject([{ invoices: 3 }]);
  } finally {
    process.env.DATABASE_URL = own;
    cluster('stop');
    fs.rmSync(home, { recursive: true, force: true });
  }
}, 120_000);
