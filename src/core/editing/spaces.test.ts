import fc from 'fast-check';
import type { ProposalDocument, Question } from '@/model';
import { asSuggested } from '@/model';
import { anyDocument, bundle, line, plainDocument, runs } from '../../../tests/support/documents';
import { counted, edited } from '../../../tests/support/edits';
import { FormulaError } from '../formula';
import { writeAmount } from '../number';
import { computeFigures } from '../price';
import { typedDimension } from '../space';
import {
  PartGone,
  duplicateEntry,
  duplicateSection,
  moveEntries,
  readDimension,
  removeEntries,
  setGroup,
  setSpace,
} from '.';

const question: Question = {
  kind: 'question',
  id: 'q',
  prompt: 'Which boards?',
  suggested: 'pine',
  recommended: { alternative: 'ash', reason: 'lasts longer' },
  alternatives: [
    { id: 'pine', name: 'Pine', lines: [line('q1', '1', '5')] },
    { id: 'ash', name: 'Ash', lines: [line('q2', '1', '9')] },
  ],
};
const start = plainDocument([
  { id: 's1', title: 'Floor', entries: [line('a', '1', '10'), question, line('b', '2', '20')] },
  {
    id: 's2',
    title: 'Roof',
    entries: [line('c', '3', '30'), bundle('w', {}, [], { added: [line('w1', '1', '4')] })],
  },
]);
const order = (document: ProposalDocument) =>
  document.sections.map(({ id, entries }) => [id, ...entries.map((entry) => entry.id)].join(' '));

/** Every identity in a document, of whatever kind. */
function identities(document: ProposalDocument): string[] {
  const ids: string[] = [];
  for (const section of document.sections) {
    ids.push(section.id);
    for (const entry of section.entries) {
      ids.push(entry.id);
      const parts = entry.kind === 'question' ? entry.alternatives.flatMap(({ lines }) => lines) : [entry];
      if (entry.kind === 'question')
        ids.push(...entry.alternatives.map(({ id }) => id), ...parts.map(({ id }) => id));
      for (const part of parts) if (part.kind === 'bundle') ids.push(...part.added.map(({ id }) => id));
    }
  }
  return ids;
}

// 12 inches are a foot: common practice, no source.
test.each([
  ['12', { value: '12' }, '12'],
  [' 12\' 6" ', { value: '12.5', typed: '12\' 6"' }, '12\' 6"'],
  ['3+4.5', { value: '7.5', typed: '3+4.5' }, '3+4.5'],
  ['0', { value: '0' }, '0'],
])('a length typed %s', (typed, read, shown) => {
  expect(readDimension(typed, 'us')).toEqual(read);
  expect(typedDimension(readDimension(typed, 'us'), 'us')).toBe(shown);
});

test('a length below nothing, or none at all, is refused; without one the cell is empty', () => {
  expect(() => readDimension('3-5', 'us')).toThrow(FormulaError);
  expect(() => readDimension('wide', 'us')).toThrow(FormulaError);
  expect(typedDimension(undefined, 'us')).toBe('');
});

test('a section gets its space and loses it', () => {
  const shape = {
    kind: 'rectangle' as const,
    length: readDimension('16', 'us'),
    width: readDimension('12', 'us'),
  };
  const space = { shape, openings: [] };
  const sized = edited(start, (d) => setSpace(d, 's1', space));
  expect(sized.sections[0]!.space).toEqual(space);
  expect(edited(sized, (d) => setSpace(d, 's1', null))).toEqual(start);
  expect(() => edited(start, (d) => setSpace(d, 'gone', null))).toThrow(PartGone);
});

test('lines and bundles go into a room or a phase together; questions do not', () => {
  const put = edited(start, (d) => setGroup(d, ['a', 'q', 'w'], 'room', ' Kitchen '));
  const rooms = put.sections.flatMap(({ entries }) =>
    entries.map((entry) => (entry.kind === 'question' ? '?' : (entry.room ?? ''))),
  );
  expect(rooms).toEqual(['Kitchen', '?', '', '', 'Kitchen']);
  const phased = edited(put, (d) => setGroup(d, ['c'], 'phase', 'Frame'));
  expect(phased.sections[1]!.entries[0]).toMatchObject({ phase: 'Frame' });
  expect(
    edited(phased, (d) => {
      setGroup(d, ['a', 'w'], 'room', ' ');
      setGroup(d, ['c'], 'phase', '');
    }),
  ).toEqual(start);
});

test('entries move together and keep their order, to the end or behind one', () => {
  expect(order(edited(start, (d) => moveEntries(d, ['b', 'a'], 's2')))).toEqual(['s1 q', 's2 c w a b']);
  expect(order(edited(start, (d) => moveEntries(d, ['w', 'a'], 's2', 'c')))).toEqual(['s1 q b', 's2 c a w']);
  // Within its own section, and behind one that moves too.
  expect(order(edited(start, (d) => moveEntries(d, ['a'], 's1', 'b')))).toEqual(['s1 q b a', 's2 c w']);
  expect(order(edited(start, (d) => moveEntries(d, ['a', 'b'], 's1', 'b')))).toEqual(['s1 q a b', 's2 c w']);
  expect(() => edited(start, (d) => moveEntries(d, ['a'], 'gone'))).toThrow(PartGone);
});

test('what is taken out takes the rules about it along', () => {
  const ruled: ProposalDocument = {
    ...start,
    rules: [{ id: 'r1', when: { question: 'q', alternative: 'ash' }, says: 'needs', other: { extra: 'c' } }],
  };
  const after = edited(ruled, (d) => removeEntries(d, ['q', 'b']));
  expect(order(after)).toEqual(['s1 a', 's2 c w']);
  expect(after.rules).toBeUndefined();
  expect(edited(ruled, (d) => removeEntries(d, ['a'])).rules).toHaveLength(1);
});

test('a copy of a section has identities of its own, and asks the same questions', () => {
  const after = edited(start, (d) => void duplicateSection(d, start.sections[0]!, counted()));
  expect(after.sections.map(({ title }) => title)).toEqual(['Floor', 'Floor (copy)', 'Roof']);
  const ids = identities(after);
  expect(new Set(ids).size).toBe(ids.length);
  const copy = after.sections[1]!.entries[1] as Question;
  expect(copy.alternatives.map(({ name }) => name)).toEqual(['Pine', 'Ash']);
  expect(copy.suggested).toBe(copy.alternatives[0]!.id);
  expect(copy.recommended).toEqual({ alternative: copy.alternatives[1]!.id, reason: 'lasts longer' });
  expect(() =>
    edited(after, (d) => void duplicateSection(d, { ...start.sections[0]!, id: 'gone' }, counted())),
  ).toThrow(PartGone);
});

test('a copy of an entry stands behind it; a bundle under another name', () => {
  const bundled = start.sections[1]!.entries[1]!;
  const after = edited(start, (d) => void duplicateEntry(d, bundled, counted('x'), 'Garden window'));
  expect(order(after)).toEqual(['s1 a q b', 's2 c w x1']);
  expect(after.sections[1]!.entries[2]).toMatchObject({ name: 'Garden window', added: [{ id: 'x2' }] });
  const plain = edited(
    start,
    (d) => void duplicateEntry(d, start.sections[0]!.entries[0]!, counted('x'), 'No'),
  );
  expect(plain.sections[0]!.entries[1]).toMatchObject({ id: 'x1', description: 'Line a' });
  expect(() => edited(start, (d) => void duplicateEntry(d, line('gone', '1', '1'), counted()))).toThrow(
    PartGone,
  );
});

test('law: a section copied in any proposal costs and is priced as the first one', () => {
  const sums = (document: ProposalDocument, at: number) => {
    const { cost, net } = computeFigures(document, asSuggested).sections[at]!;
    return [writeAmount(cost, 2), writeAmount(net, 2)];
  };
  fc.assert(
    fc.property(anyDocument({ rules: false }), (document) => {
      // Discounts of the whole spread over the sections: without them both are reckoned alike.
      const { discount: _, tiers: _tiers, ...plain } = document;
      const before = plain as ProposalDocument;
      const after = edited(before, (d) => void duplicateSection(d, before.sections[0]!, counted('copy')));
      const ids = identities(after);
      expect(new Set(ids).size).toBe(ids.length);
      expect(sums(after, 1)).toEqual(sums(after, 0));
      expect(sums(after, 0)).toEqual(sums(before, 0));
    }),
    { numRuns: runs(60) },
  );
});
