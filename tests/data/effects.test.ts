import { closeConnection } from '@/data/connection';
import type { BundleInLibrary, ItemInput, ProposalDocument } from '@/model';
import type { Actor } from '@/services/actor';
import { addItems } from '@/services/library/add';
import { draftsBehind } from '@/services/library/bulk';
import { addBundle, readBundle, saveBundle } from '@/services/library/bundles';
import { effectOnDrafts } from '@/services/library/effects';
import { readItem, saveItem } from '@/services/library/items';
import { bundleFromLibrary, lineFromItem, withBundleChanged } from '@/core/editing';
import { computeFigures } from '@/core/price';
import { writeAmount } from '@/core/number';
import { newCompany, newProposal, refusal, sendIt, testDocument } from '../support/desk';

afterAll(closeConnection);

const item = (code: string, name: string, amount = '10'): ItemInput => ({
  code,
  name,
  trade: 'Frame',
  tags: [],
  detail: '',
  unit: 'each',
  costs: [{ type: 'material', amount }],
  taxClass: 'taxed',
  costCode: '',
  internalNote: '',
});
const fence = (post: string, quantity = 'ceil(run / 8ft) + 1'): BundleInLibrary => ({
  code: 'B-1',
  name: 'Fence',
  detail: '',
  trade: 'Frame',
  tags: [],
  internalNote: '',
  shows: 'one',
  recipe: {
    inputs: [{ name: 'run', label: 'Run', kind: 'length', default: '16' }],
    grades: [],
    parts: [{ id: 'p', name: 'post', item: post, quantity }],
  },
});

async function drafts() {
  const owner: Actor = await newCompany();
  const [post, cap] = await addItems(owner, [item('P-1', 'Post'), item('C-1', 'Cap')]);
  const bundle = await addBundle(owner, fence(post!.id));
  const outer = await addBundle(owner, {
    ...fence(post!.id),
    code: 'B-2',
    recipe: {
      inputs: [],
      grades: [],
      parts: [{ id: 'f', name: 'fence', bundle: bundle.id, values: { run: '32' } }],
    },
  });
  const copy = async (id: string, as: string) => {
    const library = await readBundle(owner, id);
    return bundleFromLibrary(library, library.makeup, as);
  };
  const document = (entries: ProposalDocument['sections'][number]['entries'], title: string) => ({
    ...testDocument(),
    title,
    sections: [{ id: 's', title: 'S', entries }],
  });
  const own = await newProposal(owner, document([lineFromItem(post!, 'a', '5')], 'Line'));
  const inBundle = await newProposal(owner, document([await copy(bundle.id, 'b')], 'Bundle'));
  const nested = await newProposal(owner, document([await copy(outer.id, 'c')], 'Nested'));
  const sent = await newProposal(owner, document([lineFromItem(post!, 'a', '5')], 'Sent'));
  await sendIt(owner, sent);
  await newProposal(owner, document([lineFromItem(cap!, 'z', '5')], 'Other'));
  return { owner, post: post!.id, bundle, own, inBundle, nested };
}

test('a change of an item, before it is saved: what each draft would come to, as it does after', async () => {
  const { owner, post, own, inBundle, nested } = await drafts();
  const { id: _, ...now } = (await readItem(owner, post)).item;
  const same = await effectOnDrafts(owner, { id: post, item: now });
  expect(same.drafts.map(({ id, difference }) => [id, difference])).toEqual([
    [nested, '0.00'],
    [inBundle, '0.00'],
    [own, '0.00'],
  ]);
  const dearer = { ...now, costs: [{ type: 'material' as const, amount: '14.5' }] };
  const effect = await effectOnDrafts(owner, { id: post, item: dearer });
  expect(effect.drafts.every(({ difference }) => Number(difference) > 0)).toBe(true);
  // Those that are known already, and no others.
  const one = await effectOnDrafts(owner, { id: post, item: dearer, among: [own] });
  expect(one.drafts).toEqual(effect.drafts.filter(({ id }) => id === own));
  await saveItem(owner, dearer, post, now);
  const { behind } = await draftsBehind(owner);
  expect(Object.fromEntries(effect.drafts.map(({ id, difference }) => [id, difference]))).toEqual(
    Object.fromEntries(behind.map(({ id, total }) => [id, total])),
  );
});

test('a change of a bundle, also where it stands in another', async () => {
  const { owner, post, bundle, inBundle, nested } = await drafts();
  const typed = fence(post, 'ceil(run / 4ft) + 1');
  const { drafts: found } = await effectOnDrafts(owner, { id: bundle.id, bundle: typed });
  // 16 ft every 8 ft: 3 posts, every 4 ft: 5. 32 ft: 5 posts, then 9.
  expect(found.map(({ id, uses }) => [id, uses])).toEqual([
    [nested, 1],
    [inBundle, 1],
  ]);
  expect(found.map(({ before, after }) => Math.round((100 * Number(after)) / Number(before)))).toEqual([
    180, 167,
  ]);
  const { makeup } = await saveBundle(owner, bundle.id, 1, typed);
  const library = await readBundle(owner, bundle.id);
  const document = {
    ...testDocument(),
    sections: [{ id: 's', title: 'S', entries: [bundleFromLibrary(library, library.makeup, 'b')] }],
  };
  expect(found.at(-1)!.after).toBe(writeAmount(computeFigures(document).total, 2));
  expect(withBundleChanged(document, bundle.id, 'Fence', makeup)).toEqual(document);
});

test('what is typed badly is refused in words, and other companies see nothing', async () => {
  const { owner, post, bundle } = await drafts();
  const { id: _, ...now } = (await readItem(owner, post)).item;
  const other = await newCompany();
  expect((await effectOnDrafts(other, { id: post, item: now })).drafts).toEqual([]);
  expect(await refusal(effectOnDrafts(owner, { id: post, item: { ...now, name: '' } }))).toMatchObject({
    status: 422,
  });
  expect(await refusal(effectOnDrafts(owner, { id: bundle.id, bundle: fence('no-item') }))).toMatchObject({
    code: 'unknown-item',
  });
  expect(
    await refusal(effectOnDrafts(owner, { id: bundle.id, bundle: fence(post, 'runn / 8ft') })),
  ).toMatchObject({ code: 'bundle-wrong' });
});
