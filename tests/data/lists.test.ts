import { sql } from 'drizzle-orm';
import Papa from 'papaparse';
import { costList } from '@/services/jobCosting/costList';
import { readJob } from '@/services/jobCosting/jobReport';
import { messageKinds, messageList } from '@/services/messages/messageList';
import { readListPreferences, saveListPreferences } from '@/services/accounts/listPreferences';
import { listFile } from '@/services/downloads/lists';
import { readAgreement } from '@/services/agreements/read';
import { agreementList } from '@/services/agreements/agreementList';
import { invoiceList } from '@/services/billing/invoiceList';
import { customerList } from '@/services/customers/customerList';
import { readCustomer } from '@/services/customers/customers';
import { readList, readWholeList } from '@/services/lists/deskList';
import { proposalList } from '@/services/proposals/proposalList';
import { listProposals, proposalsAtHand } from '@/services/proposals/read';
import { closeConnection } from '@/data/connection';
import { stateToday } from '@/core/offer';
import { PAGE_SIZE } from '@/core/lists';
import { parseAmount, sumAmounts, writeAmount } from '@/core/number';
import { newCompany, newProposal, refusal, sendIt, testDocument } from '../support/desk';
import { demoOwner } from '../support/demo';
import { asOwner } from '../support/owner';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const cents = (text: string) => parseAmount(text, 2);

/** A company with so many proposals: titles and totals that repeat, so that an order must settle what is alike. */
async function manyProposals(count: number) {
  const actor = await newCompany();
  const id = await newProposal(actor, { ...testDocument(), title: 'Porch 0' });
  await asOwner((tx) =>
    tx.execute(sql`insert into proposal (company_id, id, number, customer_id, site_id, seller_id, title, state, document,
        save_number, total, created_at, updated_at)
      select p.company_id, gen_random_uuid(), p.number + n, p.customer_id, p.site_id, p.seller_id, 'Porch ' || n % 7,
        'draft', p.document, 0, (n % 5) * 100.10, p.created_at, p.updated_at - (n % 3) * interval '1 day'
      from proposal p, generate_series(1, ${count - 1}) n where p.id = ${id}`),
  );
  return actor;
}

test('pages in any order hold every row once; count and totals are over all of them', async () => {
  const actor = await manyProposals(120);
  const { rows: all } = await readWholeList(actor, proposalList, {});
  expect(all).toHaveLength(120);
  for (const sort of ['number', 'title down', 'total', 'changed down', 'state', 'opened down']) {
    const pages = await Promise.all(
      [1, 2, 3].map((page) => readList(actor, proposalList, { sort, page: String(page) })),
    );
    expect(pages.map(({ rows }) => rows.length)).toEqual([PAGE_SIZE, PAGE_SIZE, 20]);
    const shown = pages.flatMap(({ rows }) => rows.map(({ id }) => id));
    expect([sort, new Set(shown)]).toEqual([sort, new Set(all.map(({ id }) => id))]);
    for (const { count, totals } of pages) {
      expect(count).toBe(120);
      expect(cents(totals.total!)).toBe(sumAmounts(all.map(({ total }) => cents(total))));
    }
  }
  // A page past the last is the last.
  expect(await readList(actor, proposalList, { page: '9' })).toMatchObject({
    rows: { length: 20 },
    state: { page: 3 },
  });
});

test('filters let through what they say, and the totals are of that', async () => {
  const actor = await manyProposals(40);
  const { rows: all } = await readWholeList(actor, proposalList, {});
  const check = async (asked: Record<string, string>, fits: (row: (typeof all)[number]) => boolean) => {
    const { rows, count, totals } = await readList(actor, proposalList, asked);
    const wanted = all.filter(fits);
    expect([asked, new Set(rows.map(({ id }) => id))]).toEqual([asked, new Set(wanted.map(({ id }) => id))]);
    expect(count).toBe(wanted.length);
    expect(cents(totals.total!)).toBe(sumAmounts(wanted.map(({ total }) => cents(total))));
  };
  await check({ search: 'porch 3' }, ({ title, number }) => title === 'Porch 3' || `${number}`.includes('3'));
  await check({ total: '100.10..200.20' }, ({ total }) => cents(total) >= 10010n && cents(total) <= 20020n);
  await check({ total: '300..' }, ({ total }) => cents(total) >= 30000n);
  const [day] = all.map(({ changed }) => changed).sort();
  await check({ changed: `..${day}` }, ({ changed }) => changed <= day!);
  await check({ state: 'sent' }, () => false);
  await check({ state: 'draft,sent', search: 'porch' }, () => true);
  const [seller] = (await readList(actor, proposalList, {})).spec.filters.flatMap((filter) =>
    filter.key === 'seller' && filter.kind === 'choice' ? filter.options : [],
  );
  await check({ seller: seller!.value }, ({ seller: name }) => name === seller!.label);
  // What is no filter is no filter: no error, and nothing hidden.
  await check({ state: "x'; drop", total: '1..2..3', changed: 'soon', sort: 'nothing' }, () => true);
});

test('the state by SQL is the state by the core, and the list is the one that was', async () => {
  const actor = await newCompany();
  const days = ['2026-04-30', '2026-05-01', '2026-05-02', undefined];
  for (const validUntil of days)
    for (const send of [false, true]) {
      const document = { ...testDocument(), ...(validUntil === undefined ? {} : { validUntil }) };
      const id = await newProposal(actor, document);
      if (send) await sendIt(actor, id).catch(() => undefined);
    }
  for (const now of ['2026-05-01T12:00:00Z', '2026-05-03T12:00:00Z', '2027-01-01T00:00:00Z']) {
    const later = { ...actor, now: new Date(now) };
    const [list, before] = [(await readWholeList(later, proposalList, {})).rows, await listProposals(later)];
    const keyed = (rows: readonly { id: string; state: string; total: string }[]) =>
      new Map(rows.map(({ id, state, total }) => [id, [state, total]]));
    expect(keyed(list)).toEqual(keyed(before));
    // What stands on the first page is what of it is with customers, and what is in work.
    const { waiting, drafts } = await proposalsAtHand(later);
    for (const [rows, state] of [
      [waiting, 'sent'],
      [drafts, 'draft'],
    ] as const)
      expect([rows.rows.map(({ id }) => id).sort(), rows.more]).toEqual([
        before.flatMap((row) => (row.state === state ? [row.id] : [])).sort(),
        false,
      ]);
    for (const { state, validUntil } of list)
      expect(state).toBe(
        stateToday(state === 'lapsed' ? 'sent' : state, validUntil ?? undefined, now.slice(0, 10)),
      );
  }
});

test('what the database sums for a list is what the pages of the demo say by the core', async () => {
  const actor = await demoOwner();
  const { rows: customers } = await readWholeList(actor, customerList, {});
  for (const { id, open, proposals } of customers) {
    const page = await readCustomer(actor, id);
    expect([id, cents(open), proposals]).toEqual([id, cents(page.owed.open), page.proposals.length]);
  }
  const { rows: agreements } = await readWholeList(actor, agreementList, {});
  expect(agreements.length).toBeGreaterThan(4);
  for (const { id, sum, open, held, billed, left } of agreements) {
    const page = await readAgreement(actor, id);
    expect([id, cents(sum), cents(open), cents(held), billed, left]).toEqual([
      id,
      cents(page.sumToDate),
      sumAmounts(page.invoices.map((invoice) => cents(invoice.open))),
      cents(page.held),
      page.standing.billed,
      page.standing.leftToBill,
    ]);
  }
  const { rows: invoices } = await readWholeList(actor, invoiceList, {});
  for (const state of ['outstanding', 'overdue', 'settled'] as const) {
    const { rows, totals } = await readList(actor, invoiceList, { state });
    const fits = invoices.filter(({ open, overdue }) =>
      state === 'overdue' ? overdue : cents(open) > 0n === (state === 'outstanding'),
    );
    expect([state, rows.map(({ id }) => id).sort()]).toEqual([state, fits.map(({ id }) => id).sort()]);
    expect(cents(totals.open!)).toBe(sumAmounts(fits.map(({ open }) => cents(open))));
  }
});

test('the costs of all jobs are those of each; letters are found by words and kind', async () => {
  const actor = await demoOwner();
  const { rows: costs, spec } = await readWholeList(actor, costList, {});
  const { rows: agreements } = await readWholeList(actor, agreementList, {});
  let seen = 0;
  for (const { id } of agreements) {
    const job = await readJob(actor, id);
    const ours = costs.filter(({ agreementId }) => agreementId === id);
    seen += ours.length;
    const told = (rows: readonly { id: string; amount: string; for: string }[]) =>
      rows.map((row) => [row.id, cents(row.amount), row.for]).sort();
    expect(told(ours)).toEqual(told(job.costs));
    expect(ours.filter((row) => row.void).map((row) => row.id)).toEqual(
      expect.arrayContaining(job.costs.filter((row) => row.takenBack || row.takesBack).map((row) => row.id)),
    );
  }
  expect([seen, spec.name]).toEqual([costs.length, 'costs']);
  expect(seen).toBeGreaterThan(3);
  const { totals } = await readList(actor, costList, { void: 'counts', costType: 'material' });
  expect(cents(totals.amount!)).toBe(
    sumAmounts(
      costs.filter((row) => !row.void && row.costType === 'material').map(({ amount }) => cents(amount)),
    ),
  );
  const { rows: letters } = await readWholeList(actor, messageList, {});
  expect(letters.length).toBeGreaterThan(3);
  for (const kind of new Set(letters.map((row) => row.kind))) {
    expect(Object.keys(messageKinds)).toContain(kind);
    expect((await readList(actor, messageList, { kind })).count).toBe(
      letters.filter((row) => row.kind === kind).length,
    );
  }
  const [first] = letters;
  const found = (await readWholeList(actor, messageList, { search: first!.toAddress })).rows;
  expect(found.map(({ id }) => id)).toContain(first!.id);
  // Who may not sign for the customer is not shown the way to it.
  const office = (await readWholeList(inRole(actor, 'office'), messageList, { kind: 'proposal' })).rows;
  for (const { link } of office) expect(link?.mayShow ?? false).toBe(false);
});

test('a file is what is filtered, in its order, with the columns chosen; or the rows named', async () => {
  const actor = await manyProposals(30);
  await saveListPreferences(actor, {
    list: 'proposals',
    preferences: { columns: ['number', 'title', 'total'] },
  });
  const asked = { search: 'porch 2', sort: 'number down' };
  const { rows } = await readWholeList(actor, proposalList, asked);
  const file = await listFile(actor, 'proposals', { ...asked, format: 'csv', page: '7' });
  const { data } = Papa.parse<Record<string, string>>(String(file.body).trim(), { header: true });
  expect(data).toEqual(
    rows.map(({ number, title, total }) => ({
      'No.': String(number),
      Proposal: title,
      'Total as suggested': total,
    })),
  );
  const one = await listFile(actor, 'proposals', { ids: rows[1]!.id, format: 'csv' });
  expect(String(one.body).trim().split('\r\n')).toHaveLength(2);
  expect((await listFile(actor, 'proposals', { format: 'xlsx' })).body.length).toBeGreaterThan(1000);
  for (const name of ['users', 'constructor', '__proto__'])
    expect((await refusal(listFile(actor, name, {}))).detail).toBe('There is no such list.');
});

test('columns and views are kept list by list, each by itself, for one person', async () => {
  const actor = await newCompany();
  const views = [{ name: 'Sent', address: 'state=sent' }];
  await Promise.all([
    saveListPreferences(actor, { list: 'proposals', preferences: { columns: ['title'] } }),
    saveListPreferences(actor, { list: 'proposals', preferences: { views } }),
    saveListPreferences(actor, { list: 'invoices', preferences: { columns: ['number'] } }),
  ]);
  expect(await readListPreferences(actor, 'proposals')).toEqual({ columns: ['title'], views });
  expect(await readListPreferences(actor, 'invoices')).toEqual({ columns: ['number'] });
  expect(await readListPreferences(await newCompany(), 'proposals')).toEqual({});
  for (const bad of [
    { list: 'x y', preferences: {} },
    { list: 'proposals', preferences: { columns: 'all' } },
    3,
  ])
    expect((await refusal(saveListPreferences(actor, bad))).status).toBe(422);
});

test('no list shows another company', async () => {
  const [ours, theirs] = [await newCompany(), await manyProposals(3)];
  expect((await readWholeList(ours, proposalList, {})).rows).toEqual([]);
  expect((await readWholeList(theirs, proposalList, {})).rows).toHaveLength(3);
  expect(writeAmount(cents((await readList(ours, proposalList, {})).totals.total!), 2)).toBe('0.00');
});
