import { closeConnection } from '@/data/connection';
import { readItem, saveItem } from '@/services/library/items';
import { readCostCodes, saveCostCodes } from '@/services/settings/costCodes';
import type { Actor } from '@/services/actor';
import { newCompany, refusal } from '../support/desk';

afterAll(closeConnection);

const item = (code: string, trade: string, costCode = '') => ({
  ...{ code, name: code, detail: '', trade, unit: 'each', costs: [], taxClass: 'standard', costCode },
  ...{ tags: [], internalNote: '' },
});
const codeOf = async (actor: Actor, input: object) =>
  (await readItem(actor, (await saveItem(actor, input)).id)).item.costCode;

test('an item without a code has that of its trade from then on; one that has its own keeps it', async () => {
  const actor = await newCompany();
  expect(await readCostCodes(actor)).toEqual({ codes: [], byTrade: {} });
  const before = await saveItem(actor, item('A', 'Roofing'));
  const codes = {
    codes: [
      { code: '07-300', name: 'Roofing' },
      { code: '06-100', name: 'Rough carpentry' },
    ],
    byTrade: { Roofing: '07-300' },
  };
  expect(await saveCostCodes(actor, codes)).toEqual(codes);
  expect(await codeOf(actor, item('B', 'Roofing'))).toBe('07-300');
  expect((await saveItem(actor, item('C', 'Roofing'))).costCode).toBe('07-300');
  expect(await codeOf(actor, item('D', 'Roofing', '99'))).toBe('99');
  expect(await codeOf(actor, item('E', 'Decking'))).toBe('');
  expect((await readItem(actor, before.id)).item.costCode).toBe('');
});

test('a code twice, or of a trade and not in the list, is refused', async () => {
  const actor = await newCompany();
  const one = { code: '1', name: '' };
  expect((await refusal(saveCostCodes(actor, { codes: [one, one], byTrade: {} }))).code).toBe('code-taken');
  expect((await refusal(saveCostCodes(actor, { codes: [one], byTrade: { Roofing: '2' } }))).code).toBe(
    'code-unknown',
  );
  expect(await readCostCodes(actor)).toEqual({ codes: [], byTrade: {} });
});

test('two at the list: a code for a trade that the other gave meanwhile stays', async () => {
  const actor = await newCompany();
  const codes = [{ code: '1', name: '' }];
  const over = await saveCostCodes(actor, { codes, byTrade: {} });
  await saveCostCodes(actor, { codes, byTrade: { Roof: '1' }, over });
  await saveCostCodes(actor, { codes, byTrade: { Frame: '1' }, over });
  expect((await readCostCodes(actor)).byTrade).toEqual({ Roof: '1', Frame: '1' });
});
