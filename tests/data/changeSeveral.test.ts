import { closeConnection } from '@/data/connection';
import type { ItemInput, SeveralChange } from '@/model';
import type { Actor } from '@/services/actor';
import { addItems } from '@/services/library/add';
import { changeCosts } from '@/services/library/bulk';
import { addBundle, readBundle } from '@/services/library/bundles';
import { changeSeveral, previewSeveral, severalLately, undoSeveral } from '@/services/library/changeSeveral';
import { findInLibrary } from '@/services/library/find';
import { readItem, saveItem } from '@/services/library/items';
import { newCompany, refusal } from '../support/desk';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const item = (code: string, name: string, more: Partial<ItemInput> = {}): ItemInput => ({
  code,
  name,
  trade: 'Frame',
  tags: [],
  detail: '',
  unit: 'each',
  costs: [{ type: 'material', amount: '10' }],
  taxClass: 'standard',
  costCode: '',
  internalNote: '',
  ...more,
});

async function stocked() {
  const owner: Actor = await newCompany();
  const items = await addItems(owner, [
    item('P-1', 'Post 4x4'),
    item('P-2', 'Post 6x6', { waste: '5' }),
    item('T-1', 'Trim', { trade: 'Trim' }),
  ]);
  const bundle = await addBundle(owner, {
    code: 'B-1',
    name: 'Posts 4x4 in a row',
    detail: '',
    trade: 'Frame',
    tags: [],
    internalNote: '',
    shows: 'one',
    recipe: { inputs: [], grades: [], parts: [{ id: 'p', name: 'post', item: items[0]!.id, quantity: '2' }] },
  });
  const ids = [...items.map(({ id }) => id), bundle.id];
  const read = async (n: number) => (await readItem(owner, ids[n])).item;
  return { owner, ids, bundle: bundle.id, read };
}

const all = async (owner: Actor, ids: readonly string[], change: SeveralChange) => {
  const { seen, ...preview } = await previewSeveral(owner, { which: { ids }, change });
  return { preview, made: await changeSeveral(owner, { which: { ids }, change, seen }) };
};

test('words in names of items and bundles: before and after, searched by the new, taken back once', async () => {
  const { owner, ids, bundle, read } = await stocked();
  const { preview, made } = await all(owner, ids, { field: 'name', find: '4X4', put: '4×4' });
  expect(preview).toMatchObject({
    of: 4,
    count: 2,
    without: 0,
    troubles: 0,
    entries: [
      { code: 'B-1', before: 'Posts 4x4 in a row', after: 'Posts 4×4 in a row' },
      { code: 'P-1', before: 'Post 4x4', after: 'Post 4×4' },
    ],
  });
  expect(made.count).toBe(2);
  expect((await read(0)).name).toBe('Post 4×4');
  expect(await readBundle(owner, bundle)).toMatchObject({ name: 'Posts 4×4 in a row', edition: 2 });
  expect(await severalLately(owner)).toMatchObject([
    { says: 'Name: “4×4” for “4X4”', count: 2, undone: false },
  ]);

  // Changed since: that one stays, the other goes back.
  const { id: _, ...now } = await read(0);
  await saveItem(owner, { ...now, name: 'Post 4×4, cedar' }, ids[0], now);
  expect(await undoSeveral(owner, made.id)).toEqual({ count: 1, left: 1 });
  expect((await read(0)).name).toBe('Post 4×4, cedar');
  expect(await readBundle(owner, bundle)).toMatchObject({ name: 'Posts 4x4 in a row', edition: 3 });
  expect(await refusal(undoSeveral(owner, made.id))).toMatchObject({ code: 'taken-back-already' });
  expect(await severalLately(owner)).toMatchObject([{ undone: true }]);
});

test('any field of items, and exactly as before when it is taken back', async () => {
  const { owner, ids, read } = await stocked();
  const before = await Promise.all([0, 1, 2].map(read));
  const changes: SeveralChange[] = [
    { field: 'trade', set: 'Decks' },
    { field: 'unit', set: 'ft' },
    { field: 'waste', set: '7.5' },
    { field: 'waste', set: null },
    { field: 'pack', set: '4' },
    { field: 'minimumCharge', set: '50' },
    { field: 'costCode', set: '06-11' },
    { field: 'tags', add: ['new'], drop: [] },
    { field: 'costs', percent: '12.5', costTypes: ['material', 'other'] },
    { field: 'loads', set: [{ id: 'p', name: 'Profit', kind: 'profit', percent: '30', base: 'direct' }] },
    { field: 'supplierNote', find: '', put: 'Tern' },
    { field: 'internalNote', find: '', put: 'look again' },
    { field: 'detail', find: '', put: 'as drawn' },
    { field: 'code', find: '-', put: '.' },
  ];
  for (const change of changes) {
    const { preview, made } = await all(owner, ids, change);
    expect(made.count).toBe(preview.count);
    expect(made.count).toBeGreaterThan(0);
    expect(await undoSeveral(owner, made.id)).toEqual({ count: made.count, left: 0 });
    expect(await Promise.all([0, 1, 2].map(read))).toEqual(before);
  }
  // What it cost is told with the item, there and back.
  const { history } = await readItem(owner, ids[0]);
  expect(history.map(({ after }) => after)).toEqual(['10', '11.25']);
});

test('what a list shows, all of it; sent twice it is made once', async () => {
  const { owner, read } = await stocked();
  const asked = {
    which: { list: { trade: 'Frame', kind: 'item' } },
    change: { field: 'costs', percent: '10', costTypes: ['material'] },
  };
  const preview = await previewSeveral(owner, asked);
  expect(preview).toMatchObject({ of: 2, count: 2 });
  await changeSeveral(owner, { ...asked, seen: preview.seen });
  expect(await refusal(changeSeveral(owner, { ...asked, seen: preview.seen }))).toMatchObject({
    code: 'changed-meanwhile',
  });
  expect((await read(0)).costs).toMatchObject([{ amount: '11' }]);
  expect((await read(2)).costs).toMatchObject([{ amount: '10' }]);
});

test('what could not be stored is told first and changes nothing', async () => {
  const { owner, ids, read } = await stocked();
  const empty: SeveralChange = { field: 'name', find: 'Trim', put: '' };
  const preview = await previewSeveral(owner, { which: { ids }, change: empty });
  expect(preview).toMatchObject({ count: 1, troubles: 1, entries: [{ code: 'T-1' }] });
  expect(await refusal(changeSeveral(owner, { which: { ids }, change: empty }))).toMatchObject({
    code: 'rows-wrong',
  });
  // Two codes that would be one.
  expect(
    await refusal(
      changeSeveral(owner, { which: { ids }, change: { field: 'code', find: 'P-2', put: 'P-1' } }),
    ),
  ).toMatchObject({ code: 'code-taken' });
  expect(
    await refusal(previewSeveral(owner, { which: { ids }, change: { field: 'taxClass', set: 'nowhere' } })),
  ).toMatchObject({ code: 'unknown-tax-class' });
  expect((await read(1)).code).toBe('P-2');
  expect((await severalLately(owner)).length).toBe(0);
});

test('a percentage on costs of a trade can be taken back, too; only the owner, only what is theirs', async () => {
  const { owner, ids, read } = await stocked();
  const { id } = await changeCosts(owner, { trade: 'Trim', tag: '', costTypes: ['material'], percent: '20' });
  expect((await read(2)).costs).toMatchObject([{ amount: '12' }]);
  const other = await newCompany();
  expect(await refusal(undoSeveral(other, id))).toMatchObject({ code: 'no-such-library-change' });
  expect(await previewSeveral(other, { which: { ids }, change: { field: 'trade', set: 'X' } })).toMatchObject(
    { of: 0 },
  );
  const seller: Actor = inRole(owner, 'seller');
  for (const door of [
    previewSeveral(seller, {}),
    changeSeveral(seller, {}),
    undoSeveral(seller, id),
    severalLately(seller),
  ])
    expect(await refusal(door)).toMatchObject({ code: 'role-not-allowed' });
  expect(await undoSeveral(owner, id)).toEqual({ count: 1, left: 0 });
  expect((await read(2)).costs).toMatchObject([{ amount: '10' }]);
  expect((await findInLibrary(owner, 'trim')).length).toBe(1);
});
