import { addItems } from '@/services/library/add';
import { changeCosts, draftsBehind, previewCosts } from '@/services/library/bulk';
import { readItem } from '@/services/library/items';
import { lineFromItem } from '@/core/editing';
import { closeConnection } from '@/data/connection';
import type { ItemInput } from '@/model';
import { newCompany, newProposal } from '../support/desk';
import { plainDocument } from '../support/documents';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const item = (code: string, tags: string[], costs: ItemInput['costs']): ItemInput => ({
  code,
  name: `Item ${code}`,
  trade: 'Frame',
  tags,
  detail: '',
  unit: 'each',
  costs,
  taxClass: 'taxed',
  costCode: '',
  internalNote: '',
});

test('a percentage on a tag: seen before, done at once, kept in the history, and what drafts would come to', async () => {
  const owner = await newCompany();
  const [pine, oak] = await addItems(owner, [
    item(
      'P',
      ['lumber'],
      [
        { type: 'material', amount: '10' },
        { type: 'labour', hours: '1', rate: '40' },
      ],
    ),
    item('O', ['hardwood'], [{ type: 'material', amount: '20' }]),
  ]);
  const id = await newProposal(
    owner,
    plainDocument([
      { id: 's', title: 'S', entries: [lineFromItem(pine!, 'a', '3'), lineFromItem(oak!, 'b', '1')] },
    ]),
  );
  expect((await draftsBehind(owner)).behind).toEqual([]);
  const input = { trade: '', tag: 'lumber', costTypes: ['material'], percent: '4.5' };
  expect(await previewCosts(owner, input)).toEqual({
    count: 1,
    items: [{ id: pine!.id, code: 'P', name: 'Item P', before: '50', after: '50.45' }],
  });
  expect((await draftsBehind(owner)).behind).toEqual([]);
  expect(await changeCosts(owner, input)).toMatchObject({ count: 1 });
  expect((await readItem(owner, pine!.id)).history).toMatchObject([
    { before: '50', after: '50.45', why: '4.5 % on several' },
  ]);
  expect((await readItem(owner, oak!.id)).history).toEqual([]);
  expect(await draftsBehind(owner)).toMatchObject({
    behind: [{ id, items: 1, cost: '1.35', total: '1.35' }],
    looked: 1,
    more: false,
  });
  await expect(previewCosts(owner, { ...input, percent: '4500' })).rejects.toThrow('cannot be used');
  await expect(previewCosts(owner, { ...input, costTypes: ['labour'] })).rejects.toThrow('cannot be used');
  await expect(changeCosts(inRole(owner, 'seller'), input)).rejects.toThrow('which your role');
});
