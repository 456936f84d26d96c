import type { Actor } from '@/services/actor';
import { retireItem } from '@/services/library/retire';
import { keepFile } from '@/services/files/keep';
import { addItems } from '@/services/library/add';
import { readItem, saveItem } from '@/services/library/items';
import { listCrews, listRatesAndCrews, removeCrew, saveCrew, saveRate } from '@/services/library/rates';
import { listTrades, readTrade } from '@/services/library/byTrade';
import { readProposal } from '@/services/proposals/read';
import { crewParts, itemUnitCost } from '@/core/price';
import { writeFixed } from '@/core/number';
import { lineFromItem } from '@/core/editing';
import { closeConnection } from '@/data/connection';
import type { ItemInput } from '@/model';
import sharp from 'sharp';
import { newCompany, newProposal, testDocument } from '../support/desk';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const item = (code: string, more: Partial<ItemInput> = {}): ItemInput => ({
  code,
  name: `Item ${code}`,
  detail: '',
  trade: 'Frame',
  unit: 'each',
  costs: [{ type: 'material', amount: '10' }],
  taxClass: 'taxed',
  costCode: '',
  tags: [],
  internalNote: '',
  ...more,
});

/** A company with two rates and a crew of both. */
async function withCrew(owner: Actor) {
  const { id: lead } = await saveRate(owner, { name: 'Lead', normal: '60', overtime: '90' });
  const { id: helper } = await saveRate(owner, { name: 'Helper', normal: '40', overtime: '60' });
  const { id: crewId } = await saveCrew(owner, {
    name: 'Framing',
    people: [
      { rateId: lead, count: 1 },
      { rateId: helper, count: 2 },
    ],
    equipment: [{ name: 'Lift', perHour: '20' }],
  });
  const { rates } = await listRatesAndCrews(owner);
  const [crew] = await listCrews(owner);
  return { lead, helper, crewId, crew: crew!, rates: new Map(rates.map((rate) => [rate.id, rate])) };
}

describe('rates and crews', () => {
  test('a rate that moves prices the items that name it anew, keeps what they cost, and leaves proposals alone', async () => {
    const owner = await newCompany();
    const { lead, crew, rates } = await withCrew(owner);
    const [alone, together, neither] = await addItems(owner, [
      item('A', { costs: [{ type: 'labour', hours: '0.5', rate: '60', overtimeRate: '90', rateId: lead }] }),
      item('B', { costs: [{ type: 'material', amount: '5' }, ...crewParts(crew, '0.1', rates)] }),
      item('C'),
    ]);
    const document = testDocument();
    document.sections[0]!.entries.push(lineFromItem(together!, 'copied', '4'));
    const proposalId = await newProposal(owner, document);

    const answer = await saveRate(owner, { name: 'Lead', normal: '70', overtime: '105' }, lead);
    expect(answer.count).toBe(2);
    expect(answer.moved).toEqual([
      { code: 'A', name: 'Item A', before: '30', after: '35' },
      // 5 + 0.1 × (60 + 2 × 40 + 20), then 10 more an hour.
      { code: 'B', name: 'Item B', before: '21', after: '22' },
    ]);
    const { item: after, history } = await readItem(owner, together!.id);
    expect(writeFixed(itemUnitCost(after.costs))).toBe('22');
    expect(history).toEqual([expect.objectContaining({ before: '21', after: '22', why: 'rate Lead' })]);
    expect((await readItem(owner, neither!.id)).history).toEqual([]);
    expect((await readItem(owner, alone!.id)).item.costs).toEqual([
      expect.objectContaining({ rate: '70', overtimeRate: '105' }),
    ]);
    const { document: kept, moved } = await readProposal(owner, proposalId);
    expect(kept.sections[0]!.entries.at(-1)).toMatchObject({ costs: together!.costs });
    expect(Object.keys(moved)).toEqual([together!.id]);
  });

  test('a crew that changes does the same; without the crew, items keep what it was worked out to', async () => {
    const owner = await newCompany();
    const { crewId, crew, rates, helper } = await withCrew(owner);
    const [made] = await addItems(owner, [item('B', { costs: crewParts(crew, '0.5', rates) })]);
    const { count } = await saveCrew(
      owner,
      { name: 'Framing', people: [{ rateId: helper, count: 1 }], equipment: [] },
      crewId,
    );
    expect(count).toBe(1);
    expect(writeFixed(itemUnitCost((await readItem(owner, made!.id)).item.costs))).toBe('20');
    await removeCrew(owner, crewId);
    await saveRate(owner, { name: 'Helper', normal: '44', overtime: '66' }, helper);
    expect(writeFixed(itemUnitCost((await readItem(owner, made!.id)).item.costs))).toBe('22');
    expect(await listCrews(owner)).toEqual([]);
  });

  test('what names a rate or crew is counted; what is retired is left alone', async () => {
    const owner = await newCompany();
    const { lead, crewId, crew, rates } = await withCrew(owner);
    const [first, second] = await addItems(owner, [
      item('A', { costs: crewParts(crew, '1', rates) }),
      item('B', { costs: [{ type: 'labour', hours: '1', rate: '60', rateId: lead }] }),
    ]);
    const before = await listRatesAndCrews(owner);
    expect(before.crews).toEqual([expect.objectContaining({ id: crewId, items: 1 })]);
    expect(before.rates.find(({ id }) => id === lead)?.items).toBe(1);
    await retireItem(owner, second!.id, true);
    expect((await saveRate(owner, { name: 'Lead', normal: '61', overtime: '92' }, lead)).count).toBe(1);
    expect((await readItem(owner, second!.id)).history).toEqual([]);
    expect((await readItem(owner, first!.id)).history).toHaveLength(1);
    await retireItem(owner, first!.id, true);
    expect((await saveRate(owner, { name: 'Lead', normal: '63', overtime: '95' }, lead)).count).toBe(0);
  });

  test('doors: the owner alone, well-formed, of this company, each name once', async () => {
    const owner = await newCompany();
    const { lead, crewId } = await withCrew(owner);
    const rate = { name: 'Lead', normal: '60', overtime: '90' };
    await expect(saveRate(inRole(owner, 'seller'), rate, lead)).rejects.toThrow('which your role');
    await expect(saveRate(owner, { ...rate, overtime: '50' }, lead)).rejects.toThrow('does not cost less');
    await expect(saveRate(owner, { ...rate, normal: '-1' }, lead)).rejects.toThrow();
    await expect(saveRate(await newCompany(), rate, lead)).rejects.toThrow('no such rate');
    await expect(saveCrew(owner, { name: 'Framing', people: [], equipment: [] })).rejects.toThrow(
      'has people',
    );
    const people = [{ rateId: lead, count: 1 }];
    await expect(saveCrew(owner, { name: 'Framing', people, equipment: [] })).rejects.toThrow('already');
    await expect(
      saveCrew(owner, { name: 'X', people: [{ rateId: 'nobody', count: 1 }], equipment: [] }),
    ).rejects.toThrow('not in the library');
    await expect(removeCrew(await newCompany(), crewId)).rejects.toThrow('no such crew');
  });
});

describe('what an item carries besides', () => {
  test('loads of its own and a picture are kept, copied into lines (the loads), and can be taken away', async () => {
    const owner = await newCompany();
    const picture = await keepFile(
      owner,
      'picture',
      'Lamp',
      await sharp({ create: { width: 40, height: 40, channels: 3, background: '#aa0' } })
        .png()
        .toBuffer(),
    );
    const loads = [
      { id: 'p', name: 'Profit', kind: 'profit' as const, percent: '5', base: 'direct' as const },
    ];
    const made = await saveItem(owner, item('L', { loads, picture: picture.id }));
    const { item: read } = await readItem(owner, made.id);
    expect(read).toMatchObject({ loads, picture: picture.id });
    const line = lineFromItem({ ...read, id: made.id }, 'l', '1');
    expect(line.loads).toEqual(loads);
    expect(line).not.toHaveProperty('picture');
    await saveItem(owner, item('L'), made.id);
    expect((await readItem(owner, made.id)).item).not.toHaveProperty('loads');
    await expect(saveItem(await newCompany(), item('M', { picture: picture.id }))).rejects.toThrow(
      'no such picture',
    );
  });

  test('shelves: trades with their counts; what is used most on such a section stands first', async () => {
    const owner = await newCompany();
    const [, second] = await addItems(owner, [item('A'), item('B'), item('D', { trade: 'Roof' })]);
    expect(await listTrades(owner)).toEqual([
      { trade: 'Frame', items: 2, bundles: 0 },
      { trade: 'Roof', items: 1, bundles: 0 },
    ]);
    const codes = async (section?: string) =>
      (await readTrade(owner, 'Frame', { section })).found.map((found) =>
        found.kind === 'item' ? found.item.code : '',
      );
    expect(await codes()).toEqual(['A', 'B']);
    const document = testDocument();
    const { saveProposal } = await import('@/services/proposals/save');
    const proposalId = await newProposal(owner, document);
    const { saveNumber } = await readProposal(owner, proposalId);
    await saveProposal(owner, {
      proposalId,
      saveNumber,
      patches: [{ op: 'add', path: '/sections/0/entries/-', value: lineFromItem(second!, 'new', '2') }],
    });
    expect(await codes()).toEqual(['B', 'A']);
    expect(await codes('Deck')).toEqual(['B', 'A']);
    expect(await codes('Roof of the shed')).toEqual(['A', 'B']);
    expect((await readTrade(await newCompany(), 'Frame')).found).toEqual([]);
  });

  test('a trade of hundreds is given in lots, none twice and none left out; found by code, name and tags', async () => {
    const owner = await newCompany();
    await addItems(
      owner,
      Array.from({ length: 245 }, (_, n) =>
        item(`P-${String(n).padStart(3, '0')}`, {
          name: n === 244 ? 'Last plank' : 'Plank',
          tags: n === 3 ? ['clear', 'vertical'] : [],
        }),
      ),
    );
    const first = await readTrade(owner, 'Frame');
    expect(first.all).toEqual({ bundles: 0, items: 245 });
    const rest = await readTrade(owner, 'Frame', { after: first.found.length });
    const codes = [...first.found, ...rest.found].map((one) => (one.kind === 'item' ? one.item.code : ''));
    expect(first.found).toHaveLength(240);
    expect(codes).toHaveLength(245);
    expect(new Set(codes).size).toBe(245);
    const found = async (words: string) => (await readTrade(owner, 'Frame', { words })).all.items;
    expect(await found('last')).toBe(1);
    expect(await found('p-003 vert clear')).toBe(1);
    expect(await found('p-00')).toBe(10);
    expect(await found('no such thing')).toBe(0);
  });
});

test('two fields of one rate or crew, changed one after the other by pages that do not know of each other, both stand', async () => {
  const owner = await newCompany();
  const { lead, crewId } = await withCrew(owner);
  await saveRate(owner, { overtime: '120' }, lead);
  await saveRate(owner, { normal: '80' }, lead);
  await saveRate(owner, { name: 'Foreman' }, lead);
  await expect(saveRate(owner, { normal: '130' }, lead)).rejects.toThrow('does not cost less');
  const { rates } = await listRatesAndCrews(owner);
  expect(rates.find(({ id }) => id === lead)).toMatchObject({
    name: 'Foreman',
    normal: '80',
    overtime: '120',
  });
  const [before] = await listCrews(owner);
  await saveCrew(owner, { name: 'Roofers' }, crewId);
  await saveCrew(owner, { equipment: [{ name: 'Hoist', perHour: '12' }] }, crewId);
  const [after] = await listCrews(owner);
  expect(after).toMatchObject({
    name: 'Roofers',
    people: before!.people,
    equipment: [{ name: 'Hoist', perHour: '12' }],
  });
  await expect(saveCrew(owner, { people: [], equipment: [] }, crewId)).rejects.toThrow('people or equipment');
});

test('a seller adds an item a job brought, with days of work at a day rate; what the library has, the owner changes', async () => {
  const owner = await newCompany();
  const { id: rateId } = await saveRate(owner, {
    name: 'Mason',
    normal: '51',
    overtime: '76.50',
    day: '400',
  });
  const seller = inRole(owner, 'seller');
  const byDay = { type: 'labour' as const, days: '2', dayRate: '400', dayHours: '8', rateId };
  const made = await saveItem(seller, item('OWN-1', { costs: [byDay] }));
  await expect(saveItem(seller, item('OWN-1', { costs: [] }), made.id)).rejects.toThrow('which your role');
  // The day rate moves: the item follows. Without one, what it costs stays.
  expect(await saveRate(owner, { day: '420' }, rateId)).toMatchObject({ count: 1 });
  expect(await saveRate(owner, { day: null }, rateId)).toMatchObject({ count: 0 });
  expect((await readItem(owner, made.id)).item.costs).toEqual([{ ...byDay, dayRate: '420' }]);
});
