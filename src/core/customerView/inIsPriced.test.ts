/*
 * The law of what is signed: whatever a document of the customer says is in, is priced, and what is priced is said to be in,
 * over random sections, extras, alternatives, rules and levels inside each other.
 */
import fc from 'fast-check';
import { anyChoices, anyDocument, line, plainDocument, runs } from '../../../tests/support/documents';
import type { Choices, CustomerView, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { customerView } from '../offer';
import { computeFigures } from '../price';
import { levelsSideBySide } from '../offer/levelsSideBySide';

/** The parts a view says are in: lines and extras by their identity, alternatives that are picked. */
function saidIn(view: CustomerView): Set<string> {
  const found = new Set<string>();
  for (const { choice, entries } of view.sections) {
    if (choice !== null && !choice.in) continue;
    for (const entry of entries)
      if (entry.kind === 'question') {
        for (const { id, picked } of entry.alternatives) if (picked) found.add(id);
      } else if (entry.kind === 'line' || entry.in) found.add(entry.id);
  }
  return found;
}

/** The same of what is priced. Extras of an alternative are said to be in or out by themselves. */
function priced(document: ProposalDocument, choices: Choices): Set<string> {
  const names = new Map<string, string[]>();
  for (const { entries } of document.sections)
    for (const entry of entries)
      if (entry.kind !== 'question') names.set(entry.id, [entry.id]);
      else
        for (const { id, lines } of entry.alternatives)
          for (const inner of lines) names.set(inner.id, inner.extra ? [id, inner.id] : [id]);
  const found = new Set<string>();
  for (const { lines } of computeFigures(document, choices).sections)
    for (const { line: each, bundle, included } of lines)
      if (included) for (const name of names.get(bundle?.id ?? each.id)!) found.add(name);
  return found;
}

/** What can be in without a line: bundles, alternatives, and none of them. */
const mayBeEmpty = (document: ProposalDocument, id: string): boolean =>
  document.sections.some(({ entries }) =>
    entries.some((entry) =>
      entry.kind === 'question'
        ? id === 'none' ||
          entry.alternatives.some(
            (each) =>
              each.id === id || each.lines.some((inner) => inner.kind === 'bundle' && inner.id === id),
          )
        : entry.kind === 'bundle' && entry.id === id,
    ),
  );

test('what is said to be in is priced, and the other way round', () => {
  let levelled = 0;
  fc.assert(
    fc.property(
      anyDocument({}).chain((document) =>
        fc.record({ document: fc.constant(document), choices: anyChoices(document) }),
      ),
      ({ document, choices }) => {
        if ((document.tiers?.length ?? 0) > 1) levelled += 1;
        const said = saidIn(customerView({ ...document, shows: 'lines' }, choices));
        const counted = priced(document, choices);
        expect([...counted].filter((id) => !said.has(id))).toEqual([]);
        expect([...said].filter((id) => !counted.has(id) && !mayBeEmpty(document, id))).toEqual([]);
      },
    ),
    { numRuns: runs(300) },
  );
  // Levels of the whole and of a section beside each other were among them.
  expect(levelled).toBeGreaterThan(20);
});

test('a section’s level puts in what the whole’s leaves out; price and table say the same', () => {
  const document = plainDocument(
    [{ id: 's1', title: 'Porch', entries: [line('l1', '1', '100'), line('paint', '1', '40')] }],
    {
      tiers: [
        {
          id: 'whole',
          prompt: 'How would you like it?',
          suggested: 'plain',
          levels: [
            { id: 'plain', name: 'Plain', without: ['paint'], grades: {} },
            { id: 'full', name: 'Full', without: [], grades: {} },
          ],
        },
        {
          id: 'porch',
          section: 's1',
          prompt: 'Porch: how would you like it?',
          suggested: 'painted',
          levels: [
            { id: 'raw', name: 'Raw', without: ['paint'], grades: {} },
            { id: 'painted', name: 'Painted', without: [], grades: {} },
          ],
        },
      ],
    },
  );
  const net = (whole: string, porch: string) =>
    computeFigures(document, { ...asSuggested, tiers: { whole, porch } }).subtotal;
  for (const whole of ['plain', 'full']) {
    expect(net(whole, 'painted')).toBe(14_000n);
    expect(net(whole, 'raw')).toBe(10_000n);
  }
  // The whole's table does not speak of what it does not decide.
  const [whole, porch] = document.tiers!;
  expect(levelsSideBySide(document, whole!).rows).toEqual([]);
  expect(levelsSideBySide(document, porch!).rows).toEqual([
    { name: 'Line paint', cells: [null, 'included'] },
  ]);
});
