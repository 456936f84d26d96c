import fc from 'fast-check';
import { computeFigures, pricesMoved, pricesOf } from '@/core/price';
import { asSuggested } from '@/model';
import { anyDocument, bundle, itemOf, line, plainDocument, runs } from '../../../tests/support/documents';
import type { Choices, Line, ProposalDocument } from '@/model';
import { hasNewParts, itemsNewIn, removedBy, withCost, withoutCost } from './withoutCost';

/** Everywhere a document says something of cost. */
function costsSaid(value: unknown, at = ''): string[] {
  if (Array.isArray(value)) return value.flatMap((each, i) => costsSaid(each, `${at}/${i}`));
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([key, each]) => {
    const place = `${at}/${key}`;
    if (['waste', 'pack', 'breaks', 'markups', 'typedCost', 'fromLibrary', 'area'].includes(key))
      return [place];
    if (key === 'costs' || key === 'loads') return (each as unknown[]).length > 0 ? [place] : [];
    return costsSaid(each, place);
  });
}

const firstLine = (document: ProposalDocument) => document.sections[0]!.entries[0] as Line;
/** The same document with its first line changed. */
const changed = (document: ProposalDocument, change: Partial<Line>): ProposalDocument => ({
  ...document,
  sections: document.sections.map((section, s) =>
    s > 0
      ? section
      : {
          ...section,
          entries: section.entries.map((entry, e) =>
            e > 0 || entry.kind !== 'line' ? entry : { ...entry, ...change },
          ),
        },
  ),
});

test('without cost nothing of cost is said, of any document; put back over it, it is as it was', () => {
  fc.assert(
    fc.property(anyDocument({}), (document) => {
      const bare = withoutCost(document);
      expect(costsSaid(bare)).toEqual([]);
      expect(withCost(bare, document)).toEqual(document);
    }),
    { numRuns: runs(200) },
  );
});

test('an edit of what is seen is that edit of the document with its costs', () => {
  fc.assert(
    fc.property(anyDocument({}), (document) => {
      const edit = (of: ProposalDocument): ProposalDocument => ({
        ...of,
        title: 'Another title',
        discount: { percent: '3' },
        // Order and place are edits too.
        sections: [...of.sections].reverse().map((section) => ({
          ...section,
          title: `${section.title}, again`,
          entries: section.entries.map((entry) =>
            entry.kind === 'line' ? { ...entry, quantity: '7', internalNote: 'seen' } : entry,
          ),
        })),
      });
      expect(withCost(edit(withoutCost(document)), document)).toEqual(edit(document));
    }),
    { numRuns: runs(200) },
  );
});

const deck = line('deck', '4', '100', { itemId: 'i1', code: 'D-1', waste: '10' });
const before = plainDocument([{ id: 's', title: 'S', entries: [deck] }], {
  loads: [{ id: 'p', name: 'Profit', kind: 'profit', percent: '20', base: 'direct' }],
});
const item = { ...line('x', '1', '55', { itemId: 'i2', code: 'T-2', pack: '6' }) };
const library = new Map([['i2', item]]);

test('a line that becomes another item has the cost of that item; one copied has that of its first', () => {
  const bare = withoutCost(before);
  const swapped = withCost(changed(bare, { itemId: 'i2', code: 'T-2' }), before, { library });
  expect(firstLine(swapped)).toMatchObject({ costs: item.costs, pack: '6' });
  expect(firstLine(swapped).waste).toBeUndefined();
  expect(itemsNewIn(changed(bare, { itemId: 'i2' }), before)).toEqual(['i2']);
  expect(itemsNewIn(bare, before)).toEqual([]);
  // Of an item the library does not know any more, and of work alike nowhere, no cost is known.
  expect(firstLine(withCost(changed(bare, { itemId: 'gone' }), before, { library })).costs).toEqual([]);

  const copy: Line = { ...(withoutCost(before).sections[0]!.entries[0] as Line), id: 'copy', quantity: '9' };
  const copied = withCost(
    { ...bare, sections: [{ ...bare.sections[0]!, entries: [...bare.sections[0]!.entries, copy] }] },
    before,
  );
  expect(copied.sections[0]!.entries[1]).toEqual({ ...deck, id: 'copy', quantity: '9' });
});

test('what was taken out and comes back has the cost it had; without it, none is known', () => {
  const own = plainDocument([{ id: 's', title: 'S', entries: [line('own', '2', '33', { waste: '5' })] }]);
  const emptied = { ...own, sections: [{ ...own.sections[0]!, entries: [] }] };
  const removed = removedBy(own, emptied);
  expect(removed).toEqual(own.sections[0]!.entries);
  expect(hasNewParts(withoutCost(own), emptied)).toBe(true);
  expect(hasNewParts(emptied, own)).toBe(false);
  expect(withCost(withoutCost(own), emptied, { removed })).toEqual(own);
  expect(firstLine(withCost(withoutCost(own), emptied)).costs).toEqual([]);
});

test('costs that are sent along are not taken: they are put where costs are seen', () => {
  const bare = withoutCost(before);
  const sent = changed(bare, { costs: [{ type: 'material', amount: '1' }], typedCost: '0' });
  const after = withCost(
    { ...sent, loads: [], area: { name: 'A', material: '9', labour: '9', equipment: '9' } },
    before,
  );
  expect(after).toEqual(before);
});

test('a bundle keeps the costs of its parts, of what differs on the job, and of what was added', () => {
  const made = bundle(
    'b',
    { post: itemOf(deck), rail: itemOf(item) },
    [{ id: 'posts', name: 'posts', item: 'post', quantity: '3' }],
    { loads: before.loads },
  );
  const document = plainDocument([
    {
      id: 's',
      title: 'S',
      entries: [
        {
          ...made,
          changes: { [made.recipe.parts[0]!.id]: { typedCost: '12', heldPrice: '40' } },
          added: [line('more', '1', '8')],
        },
      ],
    },
  ]);
  const bare = withoutCost(document);
  expect(costsSaid(bare)).toEqual([]);
  expect(JSON.stringify(bare)).toContain('heldPrice');
  expect(withCost(bare, document)).toEqual(document);
});

/** What of figures is about prices. */
function pricesIn(document: ProposalDocument, choices: Choices) {
  const { sections, subtotal, taxes, fees, total } = computeFigures(document, choices);
  return {
    subtotal,
    total,
    taxes: taxes.map(({ amount }) => amount),
    fees: fees.map(({ amount }) => amount),
    lines: sections.flatMap(({ lines }) =>
      lines.map(({ line: { id }, unitPrice, gross, discount, net, unpriced, included }) => ({
        ...{ id, unitPrice, gross, discount, net, unpriced, included },
      })),
    ),
  };
}

test('with the prices it was given, a document without cost comes to the same at every level', () => {
  fc.assert(
    fc.property(anyDocument({}), (document) => {
      const bare = { ...withoutCost(document), pricedAt: pricesOf(document) };
      const picked = (document.tiers ?? []).flatMap(({ id, levels }) =>
        levels.map((level): Choices => ({ ...asSuggested, tiers: { [id]: level.id } })),
      );
      for (const choices of [asSuggested, ...picked])
        expect(pricesIn(bare, choices)).toEqual(pricesIn(document, choices));
    }),
    { numRuns: runs(150) },
  );
});

test('a line whose price has not come counts as nothing and says so; an allowance needs none', () => {
  const bare = { ...withoutCost(before), pricedAt: {} };
  const figures = computeFigures(bare, asSuggested).sections[0]!.lines[0]!;
  expect(figures).toMatchObject({ unpriced: true, unitPrice: 0n, net: 0n });
  const held = computeFigures({ ...changed(bare, { heldPrice: '7' }), pricedAt: {} }, asSuggested);
  expect(held.sections[0]!.lines[0]).toMatchObject({ unpriced: false, unitPrice: 7_000_000n });
  expect(pricesMoved({ a: '1', b: '2' }, { a: '1', b: '3', c: '4' })).toEqual({ b: '3', c: '4' });
});

test('what an allowance at our price leaves us is not said, and comes back; a fee on cost is agreed, and stays', () => {
  const aside = (rule: 'at our price' | 'at cost, fee fixed') =>
    plainDocument([
      {
        id: 's',
        title: 'S',
        entries: [
          {
            ...line('a', '1', '0'),
            allowance: { rule, amount: '500', fee: '18', shows: 'price', rounds: [] },
          },
        ],
      },
    ]);
  const ours = withoutCost(aside('at our price'));
  expect(firstLine(ours).allowance?.fee).toBe('0');
  expect(withCost(ours, aside('at our price'))).toEqual(aside('at our price'));
  const agreed = withoutCost(aside('at cost, fee fixed'));
  expect(firstLine(agreed).allowance?.fee).toBe('18');
  expect(
    firstLine(
      withCost(
        changed(agreed, { allowance: { ...firstLine(agreed).allowance!, fee: '20' } }),
        aside('at cost, fee fixed'),
      ),
    ).allowance?.fee,
  ).toBe('20');
});
