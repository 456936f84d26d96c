import { addUser } from '@/services/accounts/createCompany';
import type { Actor } from '@/services/actor';
import { addItems } from '@/services/library/add';
import type { BrowseInput, LibraryRow } from '@/services/library/browse';
import { PAGE_OF_LIBRARY, browseLibrary, star } from '@/services/library/browse';
import { addBundle, retireBundle } from '@/services/library/bundles';
import { retireItem } from '@/services/library/items';
import { closeConnection } from '@/data/connection';
import type { ItemInput } from '@/model';
import { newCompany, refusal } from '../support/desk';

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

const everything: BrowseInput = {
  ...{ words: '', trade: '', kind: 'all', costType: '', retired: false, page: 0 },
};
const codeOf = (row: LibraryRow) => (row.kind === 'item' ? row.item.code : row.bundle.code);
const look = async (actor: Actor, wanted: Partial<BrowseInput> = {}) => {
  const { rows, more, trades } = await browseLibrary(actor, { ...everything, ...wanted });
  return { rows, more, trades, codes: rows.map(codeOf).join(' ') };
};

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
  const { id: fence } = await addBundle(owner, {
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
      parts: [{ id: 'p', name: 'post', item: post!.id, quantity: '3' }],
    },
  });
  return { owner, post: post!.id, mesh: mesh!.id, crew: crew!.id, fence };
}

test('by trade and code, bundles first, with how much there is of each trade', async () => {
  const { owner } = await stocked();
  const { codes, rows, more, trades } = await look(owner);
  expect([codes, more]).toEqual(['B-1 F-2 P-1 M-1', false]);
  expect(trades).toEqual([
    { trade: 'Frame', items: 2, bundles: 1 },
    { trade: 'Screens', items: 1, bundles: 0 },
  ]);
  expect(rows[0]).toMatchObject({
    bundle: { name: 'Fence of {run}', inputs: ['Run'], parts: 1, grades: ['Good'], tags: ['garden'] },
  });
  // Nobody else's.
  expect((await look(await newCompany())).codes).toBe('');
});

test('narrowed by trade, kind and cost type; with words too', async () => {
  const { owner } = await stocked();
  const codes = async (wanted: Partial<BrowseInput>) => (await look(owner, wanted)).codes;
  expect(await codes({ trade: 'Screens' })).toBe('M-1');
  expect(await codes({ kind: 'bundle' })).toBe('B-1');
  expect(await codes({ kind: 'item', trade: 'Frame' })).toBe('F-2 P-1');
  // A bundle has no cost type of its own.
  expect(await codes({ costType: 'labour' })).toBe('F-2 M-1');
  expect(await codes({ words: 'mesh' })).toBe('M-1');
  expect(await codes({ words: 'fence', kind: 'item' })).toBe('');
  expect(await codes({ words: 'fence' })).toBe('B-1');
  expect(await codes({ words: 'crew', costType: 'material' })).toBe('F-2');
  expect(await codes({ words: 'post', trade: 'Screens' })).toBe('');
});

test('a page at a time, nothing twice and nothing left out', async () => {
  const owner = await newCompany();
  const many = Array.from({ length: PAGE_OF_LIBRARY * 2 + 3 }, (_, i) =>
    item(`N-${String(i).padStart(4, '0')}`, 'Frame'),
  );
  await addItems(owner, many);
  const pages = [await look(owner), await look(owner, { page: 1 }), await look(owner, { page: 2 })];
  expect(pages.map(({ rows, more }) => [rows.length, more])).toEqual([
    [PAGE_OF_LIBRARY, true],
    [PAGE_OF_LIBRARY, true],
    [3, false],
  ]);
  expect(pages.map(({ codes }) => codes).join(' ')).toBe(many.map(({ code }) => code).join(' '));
  expect((await look(owner, { page: 3 })).codes).toBe('');
  expect((await look(owner, { words: 'item' })).more).toBe(true);
});

test('what is retired is shown apart, and not found by words', async () => {
  const { owner, mesh, fence } = await stocked();
  await retireItem(owner, mesh, true);
  await retireBundle(owner, fence, true);
  expect((await look(owner)).codes).toBe('F-2 P-1');
  expect((await look(owner, { retired: true })).codes).toBe('B-1 M-1');
  expect((await look(owner, { words: 'mesh' })).codes).toBe('');
  expect((await look(owner)).trades).toEqual([{ trade: 'Frame', items: 2, bundles: 0 }]);
  await retireItem(owner, mesh, false);
  expect((await look(owner)).codes).toBe('F-2 P-1 M-1');
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
      .map(codeOf)
      .join(' ');
  expect([await starred(owner), await starred(second)]).toEqual(['B-1 P-1', '']);
  await star(owner, fence, false);
  await star(second, post, false);
  expect(await starred(owner)).toBe('P-1');
  expect((await refusal(star(owner, 'nothing', true))).status).toBe(404);
});

test('a search that makes no sense is refused', async () => {
  const owner = await newCompany();
  for (const wrong of [
    { page: -1 },
    { page: 1.5 },
    { kind: 'room' },
    { words: 'x'.repeat(201) },
    { more: 1 },
  ])
    expect((await refusal(browseLibrary(owner, { ...everything, ...wrong }))).status).toBe(422);
});
