import fc from 'fast-check';
import { anyDocument, line, plainDocument, runs } from '../../../tests/support/documents';
import type { ProposalDocument, SectionEntry } from '@/model';
import { lineAsTyped, ownLineAsTyped } from '../editing';
import { parseAmount, sumAmounts } from '../number';
import type { BundleFigures, SectionLine } from '../price';
import { computeFigures } from '../price';
import { copiedParts, copiedTable, entryHolding, partsToPaste, putParts, readPasted } from '.';

const lines = (text: string) => readPasted(text).lines;

test('pasted lines: a text list, or cells of a spreadsheet in any order', () => {
  expect(lines('- 12 joist\r\n\r\n2) 380 sf screen mesh @2.15\ngutter')).toEqual([
    { quantity: '12', words: 'joist' },
    { quantity: '380', unit: 'sqft', words: 'screen mesh', price: '2.15' },
    { quantity: null, words: 'gutter' },
  ]);
  expect(
    lines(
      'Description\tQty\tUnit\tPrice\nPost 6x6\t4\tea\t$88.60\n2\tsq\tShingles\n1,250.5\tsf\tSheathing 5/8',
    ),
  ).toEqual([
    { quantity: '4', unit: 'each', words: 'Post 6x6', price: '88.6' },
    { quantity: '2', unit: 'square', words: 'Shingles' },
    { quantity: '1250.5', unit: 'sqft', words: 'Sheathing 5/8' },
  ]);
});

describe('a table under headings', () => {
  test('every column is what its heading says, arithmetic is computed and kept as typed', () => {
    const read = readPasted(
      [
        'Item\tDescription\tQty\tUOM\tUnit cost\tUnit price\tSupplier',
        'P-66\t"Post 6×6, ""treated"""\t=2*4\tea\t$52.10\t88.60\tNorthgate',
        "X\tJoist 12' 2x10\t38+64\tlf\t1.20\t2.05\t",
        '\tBoards\t=C2*3\troll\t(4.00)\t\t',
      ].join('\r\n'),
    );
    expect(read.lines).toEqual([
      {
        code: 'P-66',
        quantity: '8',
        typed: '2*4',
        unit: 'each',
        words: 'Post 6×6, "treated"',
        cost: '52.1',
        price: '88.6',
      },
      {
        code: 'X',
        quantity: '102',
        typed: '38+64',
        unit: 'ft',
        words: "Joist 12' 2x10",
        cost: '1.2',
        price: '2.05',
      },
      { quantity: null, words: 'Boards' },
    ]);
    expect(read).toMatchObject({ unused: ['Supplier'], unknownUnits: ['roll'], unread: 1, amountIs: 'both' });
  });

  test('an amount alone makes the unit price, to as many places as come to it again', () => {
    const read = readPasted('Description\tQuantity\tTotal\nHaul away\t3\t100.00\nPermit\t1\t250');
    expect(read.amountIs).toBeNull();
    const [haul, permit] = read.lines.map((typed, i) => ownLineAsTyped(typed, `l${i}`, 'taxed', 'price'));
    expect(haul).toMatchObject({ heldPrice: '33.3333', pricePlaces: 4 });
    const figures = computeFigures(plainDocument([{ id: 's', title: 'S', entries: [haul!, permit!] }]));
    expect(figures.sections[0]!.lines.map(({ gross }) => gross)).toEqual([10_000n, 25_000n]);
  });

  test('cost and price each where both are said; nothing where nothing is wanted', () => {
    const typed = { quantity: '2', typed: '1+1', words: 'Post', cost: '5', price: '9.5' };
    const item = {
      id: 'i',
      code: 'P',
      name: 'Post',
      unit: 'each',
      costs: [],
      taxClass: 'taxed',
      trade: 'Frame',
      detail: '',
      costCode: '',
      tags: [],
    };
    expect(lineAsTyped(item as never, 'l', typed, 'both')).toMatchObject({
      typedCost: '5',
      heldPrice: '9.5',
      quantityTyped: '1+1',
    });
    expect(ownLineAsTyped(typed, 'l', 'taxed', 'cost')).toMatchObject({ typedCost: '5' });
    expect(ownLineAsTyped(typed, 'l', 'taxed', 'cost')).not.toHaveProperty('heldPrice');
    expect(ownLineAsTyped(typed, 'l', 'taxed', 'nothing')).not.toHaveProperty('typedCost');
  });
});

const figuresOf = (document: ProposalDocument) => {
  const lines = new Map<string, SectionLine>();
  const bundles = new Map<string, BundleFigures>();
  for (const section of computeFigures(document).sections) {
    for (const each of section.lines) lines.set(each.line.id, each);
    for (const [id, bundle] of section.bundles) bundles.set(id, bundle);
  }
  return { lines, bundles };
};

describe('copied rows', () => {
  const own = line('a', '102', '4.5', {
    description: '=Boards\t"wide"',
    quantityTyped: '38+64',
    unit: 'sqft',
  });
  const entries: SectionEntry[] = [own, line('b', '2', '10', { code: 'H-1' })];
  const document = plainDocument([{ id: 's', title: 'S', entries }]);

  test('as a table a spreadsheet takes, read back as they were', () => {
    const table = copiedTable(document, entries, figuresOf(document), { costs: true });
    expect(table.split('\n')[1]).toBe(`\t"'=Boards\t""wide"""\t=38+64\tsq ft\t4.5\t4.5\t459.00`);
    const back = readPasted(table);
    expect(back.lines).toEqual([
      { quantity: '102', typed: '38+64', unit: 'sqft', words: '=Boards\t"wide"', cost: '4.5', price: '4.5' },
      { code: 'H-1', quantity: '2', unit: 'each', words: 'Line b', cost: '10', price: '10' },
    ]);
    expect([back.unused, back.unknownUnits, back.unread]).toEqual([[], [], 0]);
  });

  test('our costs only where they are wanted', () => {
    const table = copiedTable(document, entries, figuresOf(document), { costs: false });
    expect(table).not.toContain('cost');
    expect(table.split('\n')[2]).toBe('H-1\tLine b\t2\teach\t10\t20.00');
  });

  test('the amounts of a copied proposal without bundles add up to its lines, whatever it is', () => {
    fc.assert(
      fc.property(anyDocument(), (any) => {
        const all = any.sections.flatMap((section) => section.entries.filter(({ kind }) => kind === 'line'));
        const figures = figuresOf(any);
        const rows = copiedTable(any, all, figures, { costs: false }).split('\n').slice(1);
        const digits = computeFigures(any).minorDigits;
        const sum = sumAmounts(rows.map((row) => parseAmount(row.split('\t').at(-1)!, digits)));
        expect(sum).toBe(sumAmounts(all.map(({ id }) => figures.lines.get(id)!.net)));
      }),
      { numRuns: runs(40) },
    );
  });

  test('pasted into the same proposal they cost and come to the same, under identities of their own', () => {
    fc.assert(
      fc.property(anyDocument(), ({ tiers: _, rules: __, ...any }) => {
        // Levels and rules name parts by their identity: a copy stands outside of them.
        const source = any.sections[0]!;
        const ids = new Set(source.entries.map(({ id }) => id));
        let next = 0;
        const pasted = partsToPaste(any, copiedParts(any, ids), () => `new-${(next += 1)}`);
        const twice = { ...any, sections: [source, { ...source, id: 'copy', entries: pasted.entries }] };
        const [first, second] = computeFigures(twice).sections;
        expect(second!.lines.map(({ gross, costAmount }) => [gross, costAmount])).toEqual(
          first!.lines.map(({ gross, costAmount }) => [gross, costAmount]),
        );
        expect(pasted.entries.some(({ id }) => ids.has(id))).toBe(false);
        expect(pasted.measures).toEqual([]);
      }),
      { numRuns: runs(40) },
    );
  });

  test('into another: its tax classes by name, the measures their formulas name, nothing of an agreement', () => {
    const theirs = plainDocument(
      [
        {
          id: 's',
          title: 'S',
          entries: [
            line('a', '10', '1', { formula: 'deck * 2', taxClass: 'free', omits: { of: 'x' } as never }),
            line('b', '1', '1', { taxClass: 'gone' }),
          ],
        },
      ],
      {
        taxClasses: [
          { id: 'taxed', name: 'Taxed', components: [] },
          { id: 'free', name: 'Free', components: [] },
        ],
        measures: [
          { id: 'm1', name: 'deck', kind: 'area', value: '120' },
          { id: 'm2', name: 'fence', kind: 'length', value: '40' },
        ],
      },
    );
    const ours = plainDocument([{ id: 't', title: 'T', entries: [line('z', '1', '1')] }], {
      taxClasses: [
        { id: 'free', name: 'Taxed', components: [] },
        { id: 'none', name: 'FREE', components: [] },
      ],
    });
    let next = 0;
    const pasted = partsToPaste(ours, copiedParts(theirs, new Set(['a', 'b'])), () => `n${(next += 1)}`);
    expect(pasted.entries).toMatchObject([{ taxClass: 'none' }, { taxClass: 'free' }]);
    expect(pasted.entries[0]).not.toHaveProperty('omits');
    expect(pasted.measures).toMatchObject([{ name: 'deck', value: '120' }]);
    putParts(ours, 't', pasted, 'z');
    expect(ours.sections[0]!.entries.map(({ id }) => id)).toEqual(['z', 'n1', 'n2']);
    expect(ours.measures?.map(({ name }) => name)).toEqual(['deck']);
    // The second time its measure is there.
    expect(partsToPaste(ours, copiedParts(theirs, new Set(['a'])), () => 'x').measures).toEqual([]);
    expect(entryHolding(ours, 'n2')).toEqual({ sectionId: 't', afterId: 'n2' });
    expect(entryHolding(ours, 'nowhere')).toBeNull();
  });

  test('more than a section holds is refused in words, and nothing is put', () => {
    const full = plainDocument([{ id: 's', title: 'S', entries: [line('a', '1', '1')] }]);
    const many = Array.from({ length: 5000 }, (_, i) => line(`l${i}`, '1', '1'));
    expect(() => putParts(full, 's', { entries: many, measures: [] })).toThrow('A section holds 5000 lines');
    expect(full.sections[0]!.entries).toHaveLength(1);
    expect(() => putParts(full, 'gone', { entries: [], measures: [] })).toThrow();
  });
});
