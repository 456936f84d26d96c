import { applyPatches, enablePatches, produceWithPatches } from 'immer';
import type { ProposalDocument } from '@/model';
import { line, plainDocument } from '../../../tests/support/documents';
import {
  PartGone,
  addAlternative,
  addLines,
  addSection,
  askAbout,
  findLine,
  fromJsonPatch,
  moveBy,
  moveEntryTo,
  placeDropped,
  moveSectionTo,
  removePart,
  setCost,
  setDescription,
  setExtra,
  setPrice,
  setQuantity,
  setQuestion,
  toJsonPatch,
} from '.';

enablePatches();

const start = plainDocument([
  { id: 's1', title: 'Floor', entries: [line('a', '1', '10'), line('b', '2', '20')] },
  { id: 's2', title: 'Roof', entries: [line('c', '3', '30')] },
]);
const order = (document: ProposalDocument) =>
  document.sections.map(({ id, entries }) => [id, ...entries.map((entry) => entry.id)].join(' '));

const edits: [
  string,
  (document: ProposalDocument) => void,
  (document: ProposalDocument) => unknown,
  unknown,
][] = [
  [
    'quantity as arithmetic',
    (d) => setQuantity(d, 'a', '38+64+22'),
    (d) => findLine(d, 'a')?.line.quantityTyped,
    '38+64+22',
  ],
  [
    'cost over the library',
    (d) => setCost(d, 'a', '12.345'),
    (d) => findLine(d, 'a')?.line.typedCost,
    '12.345',
  ],
  ['price held', (d) => setPrice(d, 'a', '15.005'), (d) => findLine(d, 'a')?.line.heldPrice, '15.01'],
  [
    'description',
    (d) => setDescription(d, 'a', ' Joist '),
    (d) => findLine(d, 'a')?.line.description,
    'Joist',
  ],
  ['extra', (d) => setExtra(d, 'a', { in: false }), (d) => findLine(d, 'a')?.line.extra, { in: false }],
  ['section behind another', (d) => addSection(d, 's3', 'Walls', 's1'), order, ['s1 a b', 's3', 's2 c']],
  ['lines behind another', (d) => addLines(d, 's1', [line('x', '1', '1')], 'a'), order, ['s1 a x b', 's2 c']],
  ['line away', (d) => removePart(d, 'a'), order, ['s1 b', 's2 c']],
  ['section away', (d) => removePart(d, 's1'), order, ['s2 c']],
  ['line down', (d) => moveBy(d, 'a', 1), order, ['s1 b a', 's2 c']],
  ['line past the end of its section', (d) => moveBy(d, 'b', 1), order, ['s1 a', 's2 b c']],
  ['line past the start of its section', (d) => moveBy(d, 'c', -1), order, ['s1 a b c', 's2']],
  ['first line up', (d) => moveBy(d, 'a', -1), order, ['s1 a b', 's2 c']],
  ['section down', (d) => moveBy(d, 's1', 1), order, ['s2 c', 's1 a b']],
  ['entry dropped further down', (d) => placeDropped(d, 'a', 'b'), order, ['s1 b a', 's2 c']],
  ['entry dropped further up', (d) => placeDropped(d, 'b', 'a'), order, ['s1 b a', 's2 c']],
  ['entry dropped in another section', (d) => placeDropped(d, 'a', 'c'), order, ['s1 b', 's2 a c']],
  ['entry to a place', (d) => moveEntryTo(d, 'c', 's1', 'b'), order, ['s1 a c b', 's2']],
  ['section to the end', (d) => moveSectionTo(d, 's1', null), order, ['s2 c', 's1 a b']],
];

test.each(edits)(
  '%s: does it, as JSON Patch does it again, and undo takes it back',
  (_, edit, look, expected) => {
    const [after, patches, inverse] = produceWithPatches(start, edit);
    expect(look(after)).toEqual(expected);
    const overTheWire = JSON.parse(JSON.stringify(toJsonPatch(patches)));
    expect(applyPatches(start, fromJsonPatch(overTheWire))).toEqual(after);
    expect(applyPatches(after, inverse)).toEqual(start);
  },
);

test('a line becomes a question, gets alternatives, and loses them again', () => {
  const [after, patches, inverse] = produceWithPatches(start, (d) => {
    askAbout(d, 'a', { question: 'q', alternative: 'alt1' });
    addAlternative(d, 'q', { id: 'alt2', name: 'Ash', lines: [line('z', '1', '40')] });
    setQuestion(d, 'q', { suggested: 'alt2' });
  });
  expect(order(after)).toEqual(['s1 q b', 's2 c']);
  expect(findLine(after, 'a')?.question?.id).toBe('q');
  expect(applyPatches(start, fromJsonPatch(JSON.parse(JSON.stringify(toJsonPatch(patches)))))).toEqual(after);
  expect(applyPatches(after, inverse)).toEqual(start);
  const [one] = produceWithPatches(after, (d) => removePart(d, 'alt2'));
  expect(one.sections[0]!.entries[0]).toMatchObject({ suggested: 'alt1' });
  const [none] = produceWithPatches(one, (d) => removePart(d, 'alt1'));
  expect(order(none)).toEqual(['s1 b', 's2 c']);
});

test('a line of a tax class the proposal does not have is taxed like the proposal’s first', () => {
  const foreign = line('x', '1', '10', { taxClass: 'elsewhere' });
  const first = start.taxClasses[0]!.id;
  const [added] = produceWithPatches(start, (d) => {
    addLines(d, 's2', [foreign]);
    askAbout(d, 'a', { question: 'q', alternative: 'alt1' });
    addAlternative(d, 'q', { id: 'alt2', name: 'Other', lines: [{ ...foreign, id: 'y' }] });
  });
  expect(['x', 'y'].map((id) => findLine(added, id)?.line.taxClass)).toEqual([first, first]);
});

test('edits of different parts give the same in any order', () => {
  const unrelated = edits.slice(0, 5).map(([, edit]) => edit);
  const forward = produceWithPatches(start, (d) => unrelated.forEach((edit) => edit(d)))[0];
  const backward = produceWithPatches(start, (d) => [...unrelated].reverse().forEach((edit) => edit(d)))[0];
  expect(forward).toEqual(backward);
});

test('empty text goes back to the library and to the computed price', () => {
  const [typed] = produceWithPatches(start, (d) => {
    setCost(d, 'a', '99');
    setPrice(d, 'a', '99');
  });
  const [back] = produceWithPatches(typed, (d) => {
    setCost(d, 'a', '');
    setPrice(d, 'a', ' ');
  });
  expect(back).toEqual(start);
});

test('a part that is gone is said so', () => {
  expect(() => produceWithPatches(start, (d) => setQuantity(d, 'nothing', '1'))).toThrow(PartGone);
});

test('pointers escape as RFC 6901 says', () => {
  const steps = [{ op: 'replace' as const, path: ['a/b', 'm~n', 0], value: 1 }];
  expect(toJsonPatch(steps)[0]?.path).toBe('/a~1b/m~0n/0');
  expect(fromJsonPatch(toJsonPatch(steps))).toEqual(steps);
});
