import fc from 'fast-check';
import type { SQL } from 'drizzle-orm';
import { sql } from 'drizzle-orm';
import { issueInvoice } from '@/services/billing/issue';
import type { Actor } from '@/services/actor';
import { recordAudit } from '@/services/actor';
import { agreementList } from '@/services/agreements/agreementList';
import { loadAgreement, loadAgreements } from '@/data/agreements/load';
import { invoiceList } from '@/services/billing/invoiceList';
import { loadMoneySums } from '@/services/billing/moneySums';
import { readList } from '@/services/lists/deskList';
import { nextNumber } from '@/services/numbers';
import { proposalList } from '@/services/proposals/proposalList';
import { inCompany } from '@/data/connection';
import { statementPdf } from '@/formats/pdf/statementPdf';
import type { StatementPaper } from '@/formats/statementPaper';
import { newAgreement, newCompany } from '../support/desk';
import { anyLedger, anySteps, finish, go, unfinished, unsound } from '../support/ledgers';
import { papersFor } from '../support/papers';
import { asOwner } from '../support/owner';

const since = (began: number) => performance.now() - began;

/** Milliseconds an invoice takes with so many who issue at once, and a number and one row in a transaction of its own. */
export async function issuing(writers: number, each: number): Promise<[number, number]> {
  const actor = await newCompany();
  const agreements: string[] = [];
  for (let i = 0; i < writers; i += 1) agreements.push((await newAgreement(actor)).agreementId);
  const all = async (one: (agreementId: string) => Promise<unknown>) => {
    const began = performance.now();
    await Promise.all(
      agreements.map(async (agreementId) => {
        for (let i = 0; i < each; i += 1) await one(agreementId);
      }),
    );
    return since(began) / (writers * each);
  };
  const issue = (agreementId: string) => issueInvoice(actor, { agreementId, what: { amount: '1' } });
  const bare = () =>
    inCompany(actor, async (tx) => {
      await recordAudit(tx, actor, 'bench', actor.companyId);
      await nextNumber(tx, actor.companyId, 'proposal');
    });
  await Promise.all(agreements.map(issue));
  return [await all(issue), await all(bare)];
}

/** A company with many agreements and invoices; its owner. */
async function manyInvoices(agreements: number, invoices: number): Promise<Actor> {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const company = actor.companyId;
  await asOwner(async (tx) => {
    // Rows as they would be, without the work of making each: the checks of the tables are left out here.
    await tx.execute(sql`set local session_replication_role = replica`);
    await tx.execute(sql`
      insert into agreement select (jsonb_populate_record(a, jsonb_build_object('id', gen_random_uuid(),
        'number', 1000 + n, 'proposal_id', gen_random_uuid(), 'idempotency_key', 'bench-' || n))).*
      from agreement a, generate_series(1, ${agreements - 1}::int) n where a.id = ${agreementId}`);
    await tx.execute(sql`
      insert into agreement_payment select (jsonb_populate_record(p, jsonb_build_object('agreement_id', a.id))).*
      from agreement_payment p, agreement a
      where p.agreement_id = ${agreementId} and a.company_id = ${company} and a.id <> ${agreementId}`);
    await tx.execute(sql`
      insert into invoice select (jsonb_populate_record(i, jsonb_build_object('id', gen_random_uuid(), 'agreement_id', a.id,
        'number', a.number * 100 + n, 'position', n, 'label', a.number || '-' || n, 'entry_id', null, 'total', 100, 'net', 100,
        'tax', 0, 'due_on', (current_date - 120 + (a.number + n) % 140)::date))).*
      from invoice i, agreement a, generate_series(1, ${Math.floor(invoices / agreements)}::int) n
      where i.agreement_id = ${agreementId} and a.company_id = ${company} and a.id <> ${agreementId}`);
    await tx.execute(sql`
      insert into payment (company_id, id, customer_id, agreement_id, method, amount, received_on, idempotency_key, recorded_at)
      select company_id, id, (select customer_id from agreement where id = i.agreement_id), agreement_id, 'transfer', total,
        due_on, id::text, issued_at
      from invoice i where company_id = ${company} and number % 10 > 1`);
    await tx.execute(sql`
      insert into allocation (company_id, id, payment_id, invoice_id, amount, at)
      select company_id, gen_random_uuid(), id, id, amount, recorded_at from payment where company_id = ${company}`);
    await tx.execute(sql`
      insert into invoice_adjustment select company_id, id, agreement_id, 'retainage', 'none', -10
      from invoice where company_id = ${company} and number % 7 = 0`);
  });
  await asOwner(async (tx) => {
    await tx.execute(sql`delete from invoice_open`);
    await tx.execute(
      sql`insert into invoice_open (company_id, invoice_id, agreement_id, due_on, open)
          select s.company_id, s.invoice_id, i.agreement_id, s.due_on, s.open from summed_open() s
          join invoice i on i.company_id = s.company_id and i.id = s.invoice_id`,
    );
    await tx.execute(sql`delete from agreement_money`);
    await tx.execute(
      sql`insert into agreement_money (company_id, agreement_id, billed, held, credit) select * from summed_money()`,
    );
  });
  await asOwner((tx) => tx.execute(sql`analyze`));
  return actor;
}

/** Median milliseconds of what we do and of a reference, in turn. */
async function inTurn(
  ours: () => Promise<unknown>,
  reference: () => Promise<unknown>,
): Promise<[number, number]> {
  const times: [number[], number[]] = [[], []];
  await ours();
  for (let i = 0; i < 7; i += 1)
    for (const [side, run] of [ours, reference].entries()) {
      const began = performance.now();
      await run();
      times[side]!.push(since(began));
    }
  const median = (all: number[]) => all.sort((a, b) => a - b)[3]!;
  return [median(times[0]), median(times[1])];
}

/**
 * The first page of invoices and of proposals with their counts and sums, by the list and by the same questions as bare SQL.
 */
export async function listPages(agreements: number, invoices: number, proposals: number) {
  const actor = await manyInvoices(agreements, invoices);
  await asOwner((tx) =>
    tx.execute(sql`insert into proposal (company_id, id, number, customer_id, site_id, seller_id, title, state, document,
        save_number, total, created_at, updated_at)
      select p.company_id, gen_random_uuid(), p.number + n, p.customer_id, p.site_id, p.seller_id, 'Porch ' || n,
        'draft', p.document, 0, n, p.created_at, p.updated_at - n * interval '1 minute'
      from (select * from proposal where company_id = ${actor.companyId} limit 1) p, generate_series(1, ${proposals}::int) n`),
  );
  await asOwner((tx) => tx.execute(sql`analyze`));
  const bare = (...queries: SQL[]) =>
    inCompany(actor, async (tx) => {
      for (const query of queries) await tx.execute(query);
    });
  const ofInvoices = sql`invoice i
    join agreement a on a.company_id = i.company_id and a.id = i.agreement_id
    join customer c on c.company_id = a.company_id and c.id = a.customer_id
    left join invoice_open o on o.company_id = i.company_id and o.invoice_id = i.id`;
  const ofProposals = sql`proposal p
    join customer c on c.company_id = p.company_id and c.id = p.customer_id
    join site s on s.company_id = p.company_id and s.id = p.site_id
    join app_user u on u.company_id = p.company_id and u.id = p.seller_id`;
  return {
    invoices: await inTurn(
      () => readList(actor, invoiceList, {}),
      () =>
        bare(
          sql`select count(*), sum(i.total), sum(o.open) from ${ofInvoices}`,
          sql`select i.label, i.title, a.title, c.name, i.issued_on, i.due_on, i.total, o.open from ${ofInvoices}
              order by i.issued_at desc, i.id desc limit 50`,
        ),
    ),
    proposals: await inTurn(
      () => readList(actor, proposalList, {}),
      () =>
        bare(
          sql`select count(*), sum(p.total) from ${ofProposals}`,
          sql`select p.number, p.title, c.name, s.address, u.name, p.state, p.updated_at, p.total from ${ofProposals}
              order by p.updated_at desc, p.id desc limit 50`,
        ),
    ),
  };
}

/**
 * The money page over many agreements and invoices, and the bare sum of the invoices; the first page of agreements under way
 * among them, and the bare count of agreements.
 */
export async function moneyPages(agreements: number, invoices: number) {
  const actor = await manyInvoices(agreements, invoices);
  const bare = (query: SQL) => () => inCompany(actor, (tx) => tx.execute(query));
  return {
    money: await inTurn(
      async () => [await loadMoneySums(actor), await readList(actor, invoiceList, {})],
      bare(sql`select count(*), sum(total) from invoice`),
    ),
    agreements: await inTurn(
      () => readList(actor, agreementList, { show: 'under way' }),
      bare(sql`select count(*), sum(total) from agreement`),
    ),
  };
}

/** So many agreements loaded together, and one by one. */
export async function together(count: number): Promise<[number, number]> {
  const actor = await newCompany();
  const ids: string[] = [];
  for (let i = 0; i < count; i += 1) ids.push((await newAgreement(actor)).agreementId);
  return inTurn(
    () => inCompany(actor, (tx) => loadAgreements(tx, ids)),
    () =>
      inCompany(actor, async (tx) => {
        for (const id of ids) await loadAgreement(tx, id);
      }),
  );
}

/** A progress statement of so many pages, and one of a single page of lines. */
export async function statement(pages: number): Promise<[number, number]> {
  const [paper] = papersFor([{ bill: { entryId: 'd' } }]);
  const columns = {
    agreed: '1234.50',
    before: '100.00',
    now: '200.00',
    toDate: '300.00',
    percent: '24.3',
    left: '934.50',
  };
  const zero = '0.00';
  const of = (rows: number): StatementPaper => ({
    ...paper!,
    rows: Array.from({ length: rows }, (_, i) => ({
      ...columns,
      id: String(i),
      section: `Section ${Math.floor(i / 20)}`,
      change: null,
      description: `Line ${i} of the work that is agreed`,
    })),
    sums: { net: columns, tax: columns, gross: columns },
    application: {
      original: zero,
      changes: zero,
      sumToDate: zero,
      completed: zero,
      held: zero,
      earned: zero,
      ahead: zero,
      billedBefore: zero,
      due: zero,
      toFinish: zero,
    },
    retainagePercent: '10',
  });
  await statementPdf(of(1));
  const timed = async (rows: number) => {
    const began = performance.now();
    await statementPdf(of(rows));
    return since(began);
  };
  // The sums have a page of their own.
  return [await timed((pages - 1) * 26), await timed(26)];
}

/** So many random ways to bill an agreement; milliseconds each, and those of making them up. Throws where one is unsound. */
export function randomPaths(count: number): [number, number] {
  const way = fc.tuple(anyLedger, anySteps());
  let began = performance.now();
  for (let at = 0; at < count; at += 1000) fc.sample(way, { numRuns: 1000, seed: at });
  const made = since(began);
  began = performance.now();
  for (let at = 0; at < count; at += 1000)
    for (const [ledger, steps] of fc.sample(way, { numRuns: 1000, seed: at })) {
      const end = finish(steps.reduce(go, ledger));
      const wrong = [...unsound(end), ...unfinished(end)];
      if (wrong.length > 0) throw new Error(`${JSON.stringify(steps)}: ${wrong.join('; ')}`);
    }
  return [(since(began) - made) / count, made / count];
}
