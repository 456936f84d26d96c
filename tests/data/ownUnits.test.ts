import { closeConnection } from '@/data/connection';
import { readAgreement } from '@/services/agreements/read';
import { openBooklet } from '@/services/booklet/open';
import { readItem, saveItem } from '@/services/library/items';
import { readOwnCompany } from '@/services/settings/company';
import { saveOwnUnits } from '@/services/settings/ownUnits';
import { ownUnit } from '@/model';
import { newAgreement, newCompany, newProposal, refusal, sendIt, visit } from '../support/desk';
import { line, plainDocument } from '../support/documents';

afterAll(closeConnection);

test('a unit of the company’s own: on an item, on a line, on what the customer reads and what was agreed', async () => {
  const actor = await newCompany();
  expect(await saveOwnUnits(actor, { names: [' roll ', 'sheet', ''] })).toEqual(['roll', 'sheet']);
  expect((await readOwnCompany(actor)).ownUnits).toEqual(['roll', 'sheet']);
  const { id } = await saveItem(actor, {
    ...{ code: 'TAPE', name: 'Sealing tape', detail: '', trade: 'Roof', unit: ownUnit('roll') },
    ...{ costs: [{ type: 'material', amount: '9' }], taxClass: 'standard', costCode: '', tags: [] },
    internalNote: '',
  });
  expect((await readItem(actor, id)).item.unit).toBe('own:roll');
  const document = plainDocument([
    { id: 's', title: 'Roof', entries: [line('tape', '3', '9', { unit: ownUnit('roll') })] },
  ]);
  const { view } = await openBooklet(await visit(await sendIt(actor, await newProposal(actor, document))));
  expect(JSON.stringify(view)).toContain('own:roll');
  const { agreementId } = await newAgreement(actor, document);
  expect(JSON.stringify(await readAgreement(actor, agreementId))).toContain('own:roll');
  // Taken off the list, what has it keeps it.
  await saveOwnUnits(actor, { names: ['sheet'], over: ['roll', 'sheet'] });
  expect((await readItem(actor, id)).item.unit).toBe('own:roll');
});

test('what is no unit is refused: known ones, twice, too long, with signs that files are cut at', async () => {
  const actor = await newCompany();
  for (const names of [['sq ft'], ['FT'], ['roll', 'Roll'], ['x'.repeat(21)], ['a;b'], ['a,b'], ['own:roll']])
    expect([names, (await refusal(saveOwnUnits(actor, { names }))).code]).toEqual([names, 'unit-wrong']);
  const many = Array.from({ length: 61 }, (_, i) => `unit ${i}`);
  expect((await refusal(saveOwnUnits(actor, { names: many }))).code).toBe('not-well-formed');
  expect((await readOwnCompany(actor)).ownUnits).toEqual([]);
  await saveOwnUnits(actor, { names: many.slice(0, 60) });
  // One more by another page that has not read those.
  expect((await refusal(saveOwnUnits(actor, { names: ['last'], over: [] }))).code).toBe('unit-wrong');
});

test('two at the list: what the other added or took out since stays', async () => {
  const actor = await newCompany();
  const over = await saveOwnUnits(actor, { names: ['roll', 'sheet', 'bag'] });
  await saveOwnUnits(actor, { names: ['roll', 'sheet', 'box'], over });
  expect(await saveOwnUnits(actor, { names: ['roll', 'bag', 'pail'], over })).toEqual([
    'roll',
    'pail',
    'box',
  ]);
});
