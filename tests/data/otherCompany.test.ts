/*
 * Every door, asked by the owner of another company with what belongs to this one: nothing of it is in any answer, and nothing
 * of it is different afterwards. That the tables keep companies apart by themselves is another test's.
 */
import { asking } from '../../scripts/backup/asking';
import { closeConnection } from '@/data/connection';
import { recordPayment } from '@/services/payments/payments';
import { addBundle } from '@/services/library/bundles';
import { saveItem } from '@/services/library/items';
import { saveAsTemplate } from '@/services/proposals/reuse';
import type { Actor } from '@/services/actor';
import { askOperation } from '@/services/programs/ask';
import { operations } from '@/services/programs/operations';
import { newAgreement, newCompany, newCustomer, newProposal, sendIt, testDocument } from '../support/desk';
import { doorTable } from '../support/doorTable';
import type { Known } from '../support/operationBodies';
import { operationBodies } from '../support/operationBodies';

const owner = process.env.DATABASE_OWNER_URL!;
/** What reads a table first, in a process of its own each time: asked with what it is about, and with something else. */
const readsFiles = ['jobCosting/importCosts importCosts', 'library/importItems startImport'];
/** Stands in everything of this company that has words. */
const MARK = 'SECRET-';

afterAll(closeConnection);

let ours: Actor;
let theirs: Actor;
/** One identity of each kind of thing this company has, by its table. */
let things: readonly { readonly table: string; readonly id: string }[];

beforeAll(async () => {
  ours = await newCompany({ depositInvoiceOnAcceptance: true });
  theirs = await newCompany();
  const { agreementId } = await newAgreement(ours, { ...testDocument(), title: `${MARK}SIGNED` });
  await sendIt(ours, await newProposal(ours, { ...testDocument(), title: `${MARK}SENT` }));
  const draft = await newProposal(ours, { ...testDocument(), title: `${MARK}DRAFT` });
  await saveAsTemplate(ours, { proposalId: draft, name: `${MARK}TEMPLATE`, about: '' });
  const item = await saveItem(ours, {
    ...{ code: `${MARK}1`, name: `${MARK}ITEM`, detail: '', trade: `${MARK}TRADE`, unit: 'each', costs: [] },
    ...{ taxClass: 'standard', costCode: '', tags: [], internalNote: `${MARK}NOTE` },
  });
  await addBundle(ours, {
    ...{
      code: `${MARK}2`,
      name: `${MARK}BUNDLE`,
      detail: '',
      trade: 'Other',
      tags: [],
      internalNote: '',
      shows: 'one',
    },
    recipe: { inputs: [], grades: [], parts: [{ id: 'p', name: 'p', item: item.id, quantity: '1' }] },
  });
  await recordPayment(ours, {
    ...{ sure: true, agreementId, method: 'cheque', amount: '10.00', receivedOn: '2026-05-01' },
    ...{ reference: `${MARK}REFERENCE`, idempotencyKey: `other-${process.pid}` },
  });
  things = await asking(owner, async (client) => {
    const { rows: tables } = await client.query<{ name: string }>(
      `select c.table_name as name from information_schema.columns c
       join information_schema.columns k using (table_schema, table_name)
       where c.table_schema = 'public' and c.column_name = 'company_id' and k.column_name = 'id' and k.data_type = 'uuid'`,
    );
    const found: { table: string; id: string }[] = [];
    for (const { name } of tables) {
      const { rows } = await client.query<{ id: string }>(
        `select id from public."${name}" where company_id = $1 limit 1`,
        [ours.companyId],
      );
      if (rows[0]) found.push({ table: name, id: rows[0].id });
    }
    return found;
  });
}, 60_000);

/** Everything of the company, table by table, as one sum each. */
const state = () =>
  asking(owner, async (client) => {
    const { rows: tables } = await client.query<{ name: string }>(
      `select table_name as name from information_schema.columns where table_schema = 'public' and column_name = 'company_id'`,
    );
    const sums: Record<string, string | null> = {};
    for (const { name } of tables) {
      const { rows } = await client.query<{ sum: string | null }>(
        `select md5(string_agg(t::text, '|' order by t::text)) as sum from public."${name}" t where company_id = $1`,
        [ours.companyId],
      );
      sums[name] = rows[0]!.sum;
    }
    return sums;
  });

/** What is answered, refusals with all they say included; as text. */
async function answerOf(act: () => unknown): Promise<string> {
  try {
    return (
      (JSON.stringify(await act(), (_key, value: unknown) =>
        typeof value === 'bigint' ? String(value) : value,
      ) as string | undefined) ?? ''
    );
  } catch (error) {
    return `${(error as Error).message} ${JSON.stringify((error as { details?: unknown }).details ?? null)}`;
  }
}

/** The name an identity goes by in what is asked: invoiceId for one of the table invoice. */
const keyOf = (table: string): string =>
  `${table.replace(/^app_/, '').replace(/_([a-z])/g, (_, letter: string) => letter.toUpperCase())}Id`;

test('there is something of many kinds to ask for', () => {
  expect(things.length).toBeGreaterThan(15);
  expect(things.map(({ table }) => table)).toEqual(
    expect.arrayContaining([
      'agreement',
      'customer',
      'invoice',
      'item',
      'payment',
      'proposal',
      'revision',
      'site',
    ]),
  );
});

test('no door gives anything of another company away, or changes anything of it', async () => {
  const before = await state();
  const told: string[] = [];
  const ofAgreement = things.filter(({ table }) => ['agreement', 'proposal'].includes(table));
  for (const { door } of doorTable) {
    const [module, name] = door.split(' ') as [string, string];
    const acts = (await import(`@/services/${module}`)) as Record<string, (...given: unknown[]) => unknown>;
    const asked: (readonly unknown[])[] = [
      [],
      ...(readsFiles.includes(door) ? ofAgreement : things).flatMap(({ table, id }) => [
        [id, id, id],
        [{ [keyOf(table)]: id }, id],
      ]),
    ];
    for (const given of asked) {
      const answer = await answerOf(() => acts[name]!({ ...theirs, now: new Date() }, ...given));
      if (answer.includes(MARK)) told.push(`${door} ${JSON.stringify(given)}`);
    }
  }
  expect(told).toEqual([]);
  expect(await state()).toEqual(before);
}, 300_000);

test('nor does any operation for programs, asked for in good form with what is theirs and what is ours', async () => {
  const before = await state();
  const told: string[] = [];
  const idOf = (table: string) => things.find((each) => each.table === table)!.id;
  const own = await newCustomer(theirs);
  // Once everything named is of the other company, once only what the path names.
  const foreign: Known = {
    ...{ customer: idOf('customer'), site: idOf('site'), proposal: idOf('proposal') },
    ...{ agreement: idOf('agreement'), invoice: idOf('invoice'), item: idOf('item') },
  };
  const mixed: Known = { ...foreign, customer: own.customerId, site: own.siteId };
  let n = 0;
  for (const operation of operations)
    for (const { id } of operation.path.includes('{id}') ? things : things.slice(0, 1))
      for (const known of operation.path.includes('{id}') || !operation.body
        ? [foreign]
        : [foreign, mixed, { ...foreign, site: own.siteId }]) {
        n += 1;
        const answer = await answerOf(() =>
          askOperation({ ...theirs, now: new Date() }, operation, {
            path: { id, site: idOf('site'), list: 'proposals', sha256: 'none', plan: 'none' },
            query: {},
            body: operation.body
              ? operationBodies[operation.id]!(known, `${process.pid}-${n}`)
              : operation.bytes
                ? new Uint8Array()
                : undefined,
          }),
        );
        if (answer.includes(MARK)) told.push(`${operation.id} ${id}`);
      }
  expect(n).toBeGreaterThan(300);
  expect(told).toEqual([]);
  expect(await state()).toEqual(before);
}, 300_000);

test('asked by the company itself the same doors answer with it: the search finds what it looks for', async () => {
  const { id } = things.find(({ table }) => table === 'proposal')!;
  const { readProposal } = await import('@/services/proposals/read');
  expect(await answerOf(() => readProposal(ours, id))).toContain(MARK);
});
