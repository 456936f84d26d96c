import { sql } from 'drizzle-orm';
import { retireBundle } from '@/services/library/retire';
import { addItems } from '@/services/library/add';
import { addBundle, bundlesWith, readBundle, saveBundle } from '@/services/library/bundles';
import { addBundleWithItems } from '@/services/library/bundleWithItems';
import { findInLibrary } from '@/services/library/find';
import type { Actor } from '@/services/actor';
import { addUser } from '@/services/entering/createCompany';
import { tryBundle } from '@/core/bundle';
import { closeConnection, inCompany } from '@/data/connection';
import type { BundleInLibrary, ItemInput } from '@/model';
import { newCompany } from '../support/desk';
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

const fence = (post: string, more: Partial<BundleInLibrary> = {}): BundleInLibrary => ({
  code: 'B-1',
  name: 'Fence of {run}',
  detail: '',
  trade: 'Frame',
  tags: ['garden'],
  internalNote: '',
  shows: 'one',
  recipe: {
    inputs: [{ name: 'run', label: 'Run', kind: 'length', default: '16' }],
    grades: [],
    parts: [{ id: 'p', name: 'post', item: post, quantity: 'ceil(run / 8ft) + 1' }],
  },
  ...more,
});

async function stocked(): Promise<{ owner: Actor; post: string; cap: string }> {
  const owner = await newCompany();
  const [post, cap] = await addItems(owner, [
    item('P-1', 'Post, treated', { waste: '5', pack: '4', minimumCharge: '40', tags: ['zinc'] }),
    item('C-1', 'Copper cap'),
  ]);
  return { owner, post: post!.id, cap: cap!.id };
}

test('a bundle keeps what it is made of and brings it along', async () => {
  const { owner, post } = await stocked();
  const { id } = await addBundle(owner, fence(post));
  const read = await readBundle(owner, id);
  expect(read.edition).toBe(1);
  expect(read.makeup.items[post]).toMatchObject({ description: 'Post, treated', waste: '5', pack: '4' });
  expect(tryBundle(read.makeup, read, undefined).lines).toMatchObject([{ quantity: '3' }]);
});

test('found by the words of its parts, after what is called so', async () => {
  const { owner, post, cap } = await stocked();
  const parts = [...fence(post).recipe.parts, { id: 'c', name: 'cap', item: cap, quantity: 'post' }];
  await addBundle(owner, fence(post, { recipe: { ...fence(post).recipe, parts } }));
  const codes = async (text: string) =>
    (await findInLibrary(owner, text)).map((one) => (one.kind === 'item' ? one.item.code : one.bundle.code));
  expect(await codes('copper')).toEqual(['C-1', 'B-1']);
  expect(await codes('garden coper')).toEqual(['B-1']);
  expect(await codes('b-1')).toEqual(['B-1']);
  expect(await codes('')).toEqual([]);
});

test('what does not work is not kept: broken formulas, what is not there, itself inside itself, a taken code', async () => {
  const { owner, post } = await stocked();
  const withPart = (quantity: string, more: object = {}) =>
    fence(post, {
      recipe: { ...fence(post).recipe, parts: [{ id: 'p', name: 'post', item: post, quantity, ...more }] },
    });
  await expect(addBundle(owner, withPart('runn + 1'))).rejects.toThrow('“runn” is not known here');
  await expect(addBundle(owner, withPart('post + 1'))).rejects.toThrow('hangs on itself');
  await expect(addBundle(owner, withPart('1', { item: owner.userId }))).rejects.toThrow('not in the library');
  await expect(addBundle(owner, withPart('1', { name: 'floor' }))).rejects.toThrow(
    'nothing can be called “floor”',
  );
  await expect(addBundle(owner, fence(post, { code: 'P-1' }))).rejects.toThrow('P-1 is taken');
  const inner = await addBundle(owner, fence(post));
  const outer = await addBundle(
    owner,
    fence(post, {
      code: 'B-2',
      recipe: {
        ...fence(post).recipe,
        parts: [{ id: 'f', name: 'fence', bundle: inner.id, values: { run: 'run * 2' } }],
      },
    }),
  );
  await expect(
    saveBundle(owner, inner.id, 1, {
      ...fence(post),
      recipe: { ...fence(post).recipe, parts: [{ id: 'o', name: 'outer', bundle: outer.id, values: {} }] },
    }),
  ).rejects.toThrow('cannot stand in itself');
  expect(await bundlesWith(owner, inner.id)).toMatchObject([{ code: 'B-2' }]);
  expect(await bundlesWith(owner, post)).toMatchObject([{ code: 'B-1' }]);
});

test('changing it is the owner’s act against the edition they saw; another’s change is not overwritten', async () => {
  const { owner, post } = await stocked();
  const { id } = await addBundle(owner, fence(post));
  const seller = await addUser(owner, {
    name: 'Sel Ler',
    email: `${owner.companyId}@seller.example`,
    password: 'long-otter-gable-1',
    role: 'seller',
  });
  await expect(saveBundle(seller, id, 1, fence(post))).rejects.toThrow('which your role');
  const both = await Promise.allSettled([
    saveBundle(owner, id, 1, fence(post, { name: 'One' })),
    saveBundle(owner, id, 1, fence(post, { name: 'Other' })),
  ]);
  expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  expect((await readBundle(owner, id)).edition).toBe(2);
  await retireBundle(owner, id, true);
  expect(await findInLibrary(owner, 'garden')).toEqual([]);
});

test('another company’s bundles and items are not there', async () => {
  const { owner, post } = await stocked();
  const stranger = await newCompany();
  const { id } = await addBundle(owner, fence(post));
  await expect(readBundle(stranger, id)).rejects.toThrow('no such bundle');
  await expect(addBundle(stranger, fence(post))).rejects.toThrow('not in the library');
  expect(await findInLibrary(stranger, 'garden')).toEqual([]);
  const rows = await inCompany(stranger.companyId, (tx) =>
    tx.execute(sql`select 1 from bundle union all select 1 from bundle_use`),
  );
  expect(rows.rows).toEqual([]);
});

test('a bundle with the items it brings: all of it or nothing, by seller or owner', async () => {
  const { owner, post } = await stocked();
  const seller: Actor = inRole(owner, 'seller');
  const input = {
    bundle: fence(post, {
      recipe: {
        ...fence(post).recipe,
        parts: [
          ...fence(post).recipe.parts,
          { id: 'n', name: 'cap', item: 'new-1', quantity: 'post' },
          { id: 'g', name: 'band', item: null, quantity: 'post', grades: { g: 'new-2' } },
        ],
        grades: [{ id: 'g', name: 'Good' }],
      },
    }),
    items: { 'new-1': item('B-1-1', 'Zinc cap'), 'new-2': item('B-1-2', 'Band, brass') },
  };
  const { bundle, items } = await addBundleWithItems(seller, input);
  expect(items['new-1']).toMatchObject({ code: 'B-1-1', name: 'Zinc cap' });
  const read = await readBundle(owner, bundle.id);
  expect(read.makeup.items[items['new-1']!.id]).toMatchObject({ description: 'Zinc cap' });
  expect(tryBundle(read.makeup, { ...read, grade: 'g' }, undefined).lines).toHaveLength(3);
  expect(await bundlesWith(owner, items['new-2']!.id)).toMatchObject([{ code: 'B-1' }]);

  // A code that is taken, of the bundle or of an item, and nothing of it is there.
  const again = (code: string, itemCode: string) =>
    addBundleWithItems(owner, {
      bundle: { ...input.bundle, code },
      items: { ...input.items, 'new-1': item(itemCode, 'Steel cap'), 'new-2': item(`${itemCode}-x`, 'Band') },
    });
  await expect(again('B-1', 'S-1')).rejects.toThrow('B-1 is taken');
  await expect(again('B-9', 'C-1')).rejects.toThrow('C-1 is taken');
  const codes = (await findInLibrary(owner, 'steel cap')).map((one) => one.kind === 'item' && one.item.code);
  expect(codes).not.toContain('S-1');
  await expect(
    addBundleWithItems(owner, { ...input, bundle: { ...input.bundle, code: 'B-8' }, items: {} }),
  ).rejects.toThrow('not in the library');
  await expect(addBundleWithItems(inRole(owner, 'office'), input)).rejects.toThrow();
});
