import { addUser } from '@/services/entering/createCompany';
import type { Actor } from '@/services/actor';
import { addItems } from '@/services/library/add';
import { addBundle } from '@/services/library/bundles';
import { listTrades } from '@/services/library/byTrade';
import { libraryList } from '@/services/library/libraryList';
import { retireBundle, retireItem, retireMany } from '@/services/library/retire';
import { star, starMany } from '@/services/library/star';
import { readList, readWholeList } from '@/services/lists/deskList';
import { PAGE_SIZE } from '@/core/lists';
import { parseFixed, writeFixed } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import { closeConnection } from '@/data/connection';
import type { ItemInput } from '@/model';
import { lineFromItem } from '@/core/editing';
import { saveItem } from '@/services/library/items';
import { readProposal } from '@/services/proposals/read';
import { saveProposal } from '@/services/proposals/save';
import { newCompany, newProposal, refusal } from '../support/desk';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const item = (code: string, trade: string, more: Partial<ItemInput> = {}): ItemInput => ({
  code,
  name: `Item ${code}`,
  trade,
  tags: [],
  detail: '',
  unit: 'each',
  costs: [{ type: 'material', amount: '10' }],
  taxClass: 'taxed',
  costCode: '',
  internalNote: '',
  ...more,
});

const look = async (actor: Actor, asked: Record<string, string> = {}) => {
  const { rows, count } = await readList(actor, libraryList, asked);
  return { rows, count, codes: rows.map(({ code }) => code).join(' ') };
};

/** A bundle of one item. */
const bundleOf = (itemId: string) => ({
  ...{
    code: 'B-1',
    name: 'Fence of {run}',
    detail: '',
    trade: 'Frame',
    tags: ['garden'],
    internalNote: '',
  },
  shows: 'one',
  recipe: {
    inputs: [{ name: 'run', label: 'Run', kind: 'length', default: '16' }],
    grades: [{ id: 'g', name: 'Good' }],
    parts: [{ id: 'p', name: 'post', item: itemId, quantity: '3' }],
  },
});

async function stocked() {
  const owner = await newCompany();
  const [post, mesh, crew] = await addItems(owner, [
    item('P-1', 'Frame', { name: 'Post, treated' }),
    item('M-1', 'Screens', { name: 'Screen mesh', costs: [{ type: 'labour', hours: '0.1', rate: '40' }] }),
    item('F-2', 'Frame', {
      name: 'Framing crew',
      costs: [
        { type: 'labour', hours: '1', rate: '46' },
        { type: 'material', amount: '2' },
      ],
    }),
  ]);
  const { id: fence } = await addBundle(owner, bundleOf(post!.id));
  return { owner, post: post!.id, mesh: mesh!.id, crew: crew!.id, fence };
}

test('by trade and code, bundles first, with how much there is of each trade', async () => {
  const { owner } = await stocked();
  const { codes, rows, count } = await look(owner);
  expect([codes, count]).toEqual(['B-1 F-2 P-1 M-1', 4]);
  expect(await listTrades(owner)).toEqual([
    { trade: 'Frame', items: 2, bundles: 1 },
    { trade: 'Screens', items: 1, bundles: 0 },
  ]);
  expect(rows[0]).toMatchObject({
    ...{ kind: 'bundle', name: 'Fence of {run}', inputs: ['Run'], parts: 1, grades: ['Good'] },
    ...{ tags: ['garden'], unitCost: null },
  });
  // Nobody else's.
  expect((await look(await newCompany())).codes).toBe('');
});

test('narrowed by trade, kind, cost type and cost; with words too', async () => {
  const { owner } = await stocked();
  const codes = async (asked: Record<string, string>) => (await look(owner, asked)).codes;
  expect(await codes({ trade: 'Screens' })).toBe('M-1');
  expect(await codes({ kind: 'bundle' })).toBe('B-1');
  expect(await codes({ kind: 'item', trade: 'Frame' })).toBe('F-2 P-1');
  // A bundle has no cost type of its own.
  expect(await codes({ of: 'labour' })).toBe('F-2 M-1');
  expect(await codes({ of: 'labour,material', sort: 'code' })).toBe('F-2 M-1 P-1');
  expect(await codes({ unitCost: '5..20' })).toBe('P-1');
  expect(await codes({ search: 'mesh' })).toBe('M-1');
  expect(await codes({ search: 'fence', kind: 'item' })).toBe('');
  expect(await codes({ search: 'fence' })).toBe('B-1');
  // A letter wrong is forgiven here as in the sheet.
  expect(await codes({ search: 'fecne' })).toBe('B-1');
  expect(await codes({ search: 'crew', of: 'material' })).toBe('F-2');
  expect(await codes({ search: 'post', trade: 'Screens' })).toBe('');
});

test('a page at a time, nothing twice and nothing left out, with and without words', async () => {
  const owner = await newCompany();
  const many = Array.from({ length: PAGE_SIZE * 2 + 3 }, (_, i) =>
    item(`N-${String(i).padStart(4, '0')}`, 'Frame'),
  );
  await addItems(owner, many);
  for (const asked of [{}, { search: 'item' }]) {
    const pages = await Promise.all(['1', '2', '3'].map((page) => look(owner, { ...asked, page })));
    expect(pages.map(({ rows, count }) => [rows.length, count])).toEqual([
      [PAGE_SIZE, many.length],
      [PAGE_SIZE, many.length],
      [3, many.length],
    ]);
    expect(pages.map(({ codes }) => codes).join(' ')).toBe(many.map(({ code }) => code).join(' '));
  }
});

test('what is retired is shown apart, and not found by words unless it is asked for', async () => {
  const { owner, mesh, fence } = await stocked();
  await retireItem(owner, mesh, true);
  await retireBundle(owner, fence, true);
  expect((await look(owner)).codes).toBe('F-2 P-1');
  expect((await look(owner, { state: 'retired' })).codes).toBe('B-1 M-1');
  expect((await look(owner, { state: 'used,retired' })).codes).toBe('B-1 F-2 P-1 M-1');
  expect((await look(owner, { search: 'mesh' })).codes).toBe('');
  expect((await look(owner, { search: 'mesh', state: 'retired' })).codes).toBe('M-1');
  expect(await listTrades(owner)).toEqual([{ trade: 'Frame', items: 2, bundles: 0 }]);
  await retireItem(owner, mesh, false);
  expect((await look(owner)).codes).toBe('F-2 P-1 M-1');
});

test('several are retired, brought back and starred at once; what is another company’s is passed over', async () => {
  const { owner, mesh, fence, post } = await stocked();
  const other = await stocked();
  expect(await retireMany(owner, { ids: [mesh, fence, other.mesh], retired: true })).toEqual({ count: 2 });
  expect((await look(owner)).codes).toBe('F-2 P-1');
  expect((await look(other.owner)).codes).toBe('B-1 F-2 P-1 M-1');
  expect(await retireMany(owner, { ids: [mesh], retired: false })).toEqual({ count: 1 });
  expect((await look(owner)).codes).toBe('F-2 P-1 M-1');
  await starMany(owner, { ids: [post, mesh], starred: true });
  expect((await look(owner, { starred: '1' })).codes).toBe('P-1 M-1');
  await starMany(owner, { ids: [post], starred: false });
  expect((await look(owner, { starred: '1' })).codes).toBe('M-1');
  const seller = inRole(owner, 'seller');
  expect((await refusal(retireMany(seller, { ids: [mesh], retired: true }))).status).toBe(403);
  for (const ids of [[], ['x'], Array.from({ length: 201 }, () => mesh)])
    expect((await refusal(retireMany(owner, { ids, retired: true }))).status).toBe(422);
});

test('the unit cost by SQL is the unit cost by the core', async () => {
  const owner = await newCompany();
  const costs: ItemInput['costs'][] = [
    [],
    [{ type: 'material', amount: '0.12345' }],
    [
      { type: 'labour', hours: '0.3333', rate: '46.125' },
      { type: 'labour', hours: '0.00005', rate: '1', overtimeRate: '90' },
      { type: 'material', amount: '1234.5678' },
      { type: 'equipment', amount: '0.00005' },
      { type: 'subcontract', amount: '99999.99999' },
    ],
    [{ type: 'other', amount: '7' }],
    [{ type: 'labour', days: '0.3333', dayRate: '512.335', dayHours: '8' }],
    [{ type: 'equipment', times: '1.55555', per: 'hour', rate: '41.77' }],
    [
      { type: 'labour', hours: '0.125', rate: '40', overtimeRate: '60.0004', overtime: true },
      { type: 'labour', hours: '0.125', rate: '40', overtime: true },
    ],
  ];
  await addItems(
    owner,
    costs.map((each, i) => item(`C-${i}`, 'Frame', { costs: each })),
  );
  const { rows } = await readWholeList(owner, libraryList, { sort: 'code' });
  expect(rows.map(({ unitCost }) => writeFixed(parseFixed(unitCost!)))).toEqual(
    costs.map((each) => writeFixed(itemUnitCost(each))),
  );
  const byCost = (await readWholeList(owner, libraryList, { sort: 'unitCost' })).rows;
  expect(byCost.map(({ code }) => code)).toEqual(
    // 0, 0.12, 7, 12.50, 64.98, 170.76, and a hundred thousand.
    ['C-0', 'C-1', 'C-3', 'C-6', 'C-5', 'C-4', 'C-2'],
  );
});

test('stars are each person’s own', async () => {
  const { owner, post, fence } = await stocked();
  const second = await addUser(owner, {
    name: 'Second',
    email: `second-${process.pid}-${Date.now()}@test.example`,
    role: 'seller',
    password: 'gable-otter-91',
  });
  await star(owner, post, true);
  await star(owner, post, true);
  await star(owner, fence, true);
  const starred = async (actor: Actor) =>
    (await look(actor)).rows
      .filter((row) => row.starred)
      .map(({ code }) => code)
      .join(' ');
  expect([await starred(owner), await starred(second)]).toEqual(['B-1 P-1', '']);
  await star(owner, fence, false);
  await star(second, post, false);
  expect(await starred(owner)).toBe('P-1');
  expect((await refusal(star(owner, 'nothing', true))).status).toBe(404);
});

test('what makes no sense in an address is the plain list', async () => {
  const { owner } = await stocked();
  for (const asked of [{ page: '-1' }, { kind: 'room' }, { trade: 'Moon' }, { starred: 'yes' }, { of: "x'" }])
    expect((await look(owner, asked)).codes).toBe('B-1 F-2 P-1 M-1');
  expect((await look(owner, { search: 'x'.repeat(300) })).codes).toBe('');
});

test('what to look after: not used in a year, costs older than a year, the same name twice', async () => {
  const owner = await newCompany();
  const [used, inBundle, , old] = await addItems(owner, [
    item('U', 'Frame', { name: 'Post 4×4' }),
    item('B', 'Frame', { name: 'Beam' }),
    item('D', 'Frame', { name: 'post 4 × 4' }),
    item('O', 'Roof', { name: 'Shingles' }),
  ]);
  await addBundle(owner, bundleOf(inBundle!.id));
  const proposalId = await newProposal(owner);
  const { saveNumber } = await readProposal(owner, proposalId);
  const line = lineFromItem({ ...item('U', 'Frame'), id: used!.id } as never, 'n', '1');
  await saveProposal(owner, {
    proposalId,
    saveNumber,
    patches: [{ op: 'add', path: '/sections/0/entries/-', value: line }],
  });
  const codes = async (care: string, actor = owner) =>
    (await readWholeList(actor, libraryList, { care, kind: 'item', sort: 'code' })).rows
      .map(({ code }) => code)
      .join(' ');
  // Nothing is a year old yet; two names are the same but for signs.
  expect([await codes('unused'), await codes('old'), await codes('double')]).toEqual(['', '', 'D U']);
  const later = { ...owner, now: new Date(owner.now.getTime() + 380 * 86_400_000) };
  expect(await codes('unused', later)).toBe('D O U');
  expect(await codes('old', later)).toBe('B D O U');
  await saveItem(
    later,
    item('O', 'Roof', { name: 'Shingles', costs: [{ type: 'material', amount: '11' }] }),
    old!.id,
  );
  expect(await codes('old', later)).toBe('B D U');
  // Several at once: whatever is one of them.
  expect(await codes('old,double', later)).toBe('B D U');
  const beyond = { ...owner, now: new Date(owner.now.getTime() + 200 * 86_400_000) };
  expect(await codes('unused', beyond)).toBe('');
});
