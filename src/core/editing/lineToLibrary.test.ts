import { produce } from 'immer';
import type { LibraryItem, Line, Load, ProposalDocument } from '@/model';
import { line, plainDocument } from '../../../tests/support/documents';
import { computeFigures } from '../price';
import { becomeItem, lineAsItem, lineFromItem } from '.';

const loads: Load[] = [
  { id: 'o', name: 'Overhead', kind: 'overhead', percent: '10', base: 'direct' },
  { id: 'p', name: 'Profit', kind: 'profit', percent: '15', base: 'running' },
];
const withLines = (entries: Line[]): ProposalDocument =>
  plainDocument([{ id: 's', title: 'Work', entries }], { loads });
const firstOf = (document: ProposalDocument) => computeFigures(document).sections[0]!.lines[0]!;

const own = line('own', '3', '0', {
  description: 'Chimney flashed by the mason',
  unit: 'job',
  costs: [
    { type: 'subcontract', amount: '1000' },
    { type: 'labour', hours: '2', rate: '46', overtimeRate: '69' },
  ],
  markups: { subcontract: '12' },
  overtime: true,
  costCode: '04 00',
  crewNote: 'Ladder on the north side',
  discount: { percent: '5' },
});

const kept = (of: Line): LibraryItem => ({
  ...lineAsItem(of, withLines([of])).item,
  id: 'item',
  code: 'MA-900',
  trade: 'Masonry',
});

test('an item made of a line costs and is priced, anywhere, as the line was', () => {
  const item = kept(own);
  const before = firstOf(withLines([own]));
  // Also where the proposal’s markup is another: it is the item’s own.
  const elsewhere = { ...withLines([lineFromItem(item, 'x', '3')]), loads: [] };
  const after = firstOf(elsewhere);
  expect(after.cost.total).toBe(before.cost.total);
  expect(after.unitPrice).toBe(before.unitPrice);
  expect(item).toMatchObject({ name: 'Chimney flashed by the mason', unit: 'job', costCode: '04 00' });
});

test('a line without markup of its own makes an item that takes the proposal’s', () => {
  const { markups: _, ...plain } = own;
  expect(lineAsItem(plain, withLines([plain])).item).not.toHaveProperty('loads');
});

test('what stays with the job is said', () => {
  expect(lineAsItem(own, withLines([own])).left).toEqual(['Its discount.', 'The note to the crew.']);
  expect(
    lineAsItem({ ...own, heldPrice: '5', extra: { in: true }, formula: 'floor' }, withLines([own])).left,
  ).toEqual([
    'The price typed for it.',
    'Its discount.',
    'That it is an extra.',
    'The note to the crew.',
    'Its quantity, which follows floor.',
  ]);
});

test('a sum typed over the costs is kept by type, as it is spread over them', () => {
  const typed: Line = { ...own, overtime: false, typedCost: '2184' };
  const { costs } = lineAsItem(typed, withLines([typed])).item;
  expect(costs).toEqual([
    { type: 'labour', hours: '1', rate: '184' },
    { type: 'subcontract', amount: '2000' },
  ]);
  const bare: Line = { ...own, costs: [], typedCost: '80', overtime: false };
  expect(lineAsItem(bare, withLines([bare])).item.costs).toEqual([{ type: 'other', amount: '80' }]);
});

test('the line becomes the library’s: its figures, quantity and what is of this job stay', () => {
  const start = withLines([own]);
  const after = produce(start, (draft) => becomeItem(draft, own, kept(own)));
  const became = after.sections[0]!.entries[0] as Line;
  expect(became).toMatchObject({ itemId: 'item', code: 'MA-900', trade: 'Masonry', quantity: '3' });
  expect(became).toMatchObject({ discount: own.discount, crewNote: own.crewNote });
  for (const field of ['markups', 'overtime', 'fromLibrary', 'typedCost'])
    expect(became).not.toHaveProperty(field);
  expect(firstOf(after).net).toBe(firstOf(start).net);
});

test('in a section with markup of its own, the item has that', () => {
  const section = { id: 's', title: 'Work', entries: [own], loads: [loads[0]!] };
  const there = plainDocument([section], { loads });
  const item: LibraryItem = { ...lineAsItem(own, there).item, id: 'item', code: 'X', trade: 'Y' };
  const after = produce(there, (draft) => becomeItem(draft, own, item));
  expect(firstOf(after).unitPrice).toBe(firstOf(there).unitPrice);
});

test('what is typed while it is saved stays, said otherwise on this job', () => {
  const item = kept(own);
  const typed = produce(withLines([own]), (draft) => {
    const line = draft.sections[0]!.entries[0] as Line;
    line.description = 'Chimney, flashed and capped';
    line.costs = [{ type: 'subcontract', amount: '1200' }];
    line.costCode = '04 10';
  });
  const after = produce(typed, (draft) => becomeItem(draft, own, item)).sections[0]!.entries[0] as Line;
  expect(after).toMatchObject({
    itemId: 'item',
    description: 'Chimney, flashed and capped',
    costs: [{ type: 'subcontract', amount: '1200' }],
    costCode: '04 10',
    fromLibrary: { costs: item.costs, costCode: '04 00' },
  });
});
