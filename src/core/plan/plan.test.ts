import fc from 'fast-check';
import type { Line, Plan, ProposalDocument, Section, Traced } from '@/model';
import {
  addMeasure,
  addTraced,
  followersOf,
  movePoint,
  nameFor,
  removeFigure,
  removeTraced,
  renameTraced,
  setMeasure,
  setQuantity,
  setScale,
} from '../editing';
import { writeFixed } from '../number';
import { checkDocument } from '../offer';
import { computeFigures } from '../price';
import { measuresOf, readTraced, wholeRoot } from '.';

const line = (id: string, formula?: string): Line => ({
  kind: 'line',
  id,
  description: `Line ${id}`,
  unit: 'sqft',
  costs: [{ type: 'material', amount: '1' }],
  taxClass: 'tax',
  quantity: '0',
  ...(formula === undefined ? {} : { formula }),
});
const section = (entries: Line[], rest: Partial<Section> = {}): Section => ({
  id: 's',
  title: 'Porch',
  entries,
  ...rest,
});
const plan: Plan = {
  id: 'p',
  name: 'Ground floor',
  file: crypto.randomUUID(),
  width: 9000,
  height: 9000,
  traced: [],
};
const documentOf = (sections: Section[]): ProposalDocument => ({
  format: 'impegno-proposal',
  formatVersion: 1,
  title: 'Porch',
  currency: 'USD',
  shows: 'lines',
  sections,
  loads: [],
  fees: [],
  taxClasses: [{ id: 'tax', name: 'Tax', components: [] }],
  schedule: [],
  plans: [structuredClone(plan)],
});
const square = (side: number) => [
  [0, 0],
  [side, 0],
  [side, side],
  [0, side],
];
const quantityOf = (document: ProposalDocument, id: string) =>
  writeFixed(
    computeFigures(document)
      .sections.flatMap(({ lines }) => lines)
      .find((each) => each.line.id === id)!.quantity,
  );

describe('measures of plans', () => {
  test('a line follows a traced area, its edge and the scale', () => {
    const document = documentOf([section([line('a', 'deck * 1.1'), line('b', 'deck_edge')])]);
    document.sections[0]!.entries[1] = { ...line('b', 'deck_edge'), unit: 'ft' };
    setScale(document, 'p', [0, 0], [100, 0], '1ft');
    addTraced(document, 'p', { id: 't', kind: 'area', label: 'Deck' }, [{ points: square(1000) }]);
    expect(quantityOf(document, 'a')).toBe('110');
    expect(quantityOf(document, 'b')).toBe('40');
    const wider = structuredClone(document);
    movePoint(wider, 'p', 't', 0, 1, [2000, 0]);
    movePoint(wider, 'p', 't', 0, 2, [2000, 1000]);
    expect(quantityOf(wider, 'a')).toBe('220');
    const rescaled = structuredClone(document);
    setScale(rescaled, 'p', [0, 0], [100, 0], '6in');
    expect(quantityOf(rescaled, 'a')).toBe('27.5');
  });

  test('without a scale the line says what is missing, and nothing else stops', () => {
    const document = documentOf([section([line('a', 'deck'), { ...line('b'), quantity: '3' }])]);
    addTraced(document, 'p', { id: 't', kind: 'area', label: 'Deck' }, [{ points: square(10) }]);
    const [first, second] = computeFigures(document).sections[0]!.lines;
    expect(first!.trouble).toContain('Set the scale of “Ground floor”');
    expect(second!.net).toBe(300n);
    expect(checkDocument(document).map(({ message }) => message)).toContainEqual(
      expect.stringContaining('Set the scale'),
    );
  });

  test('a space follows a traced area: floor, perimeter, walls', () => {
    const document = documentOf([
      section([line('a', 'floor'), line('b', 'walls')], {
        space: { shape: { kind: 'traced', measure: 'room' }, height: { value: '8' }, openings: [] },
      }),
    ]);
    expect(computeFigures(document).sections[0]!.space?.trouble).toContain('No area called “room”');
    setScale(document, 'p', [0, 0], [100, 0], '1');
    const traced = structuredClone(document);
    addTraced(traced, 'p', { id: 't', kind: 'area', label: 'Room' }, [{ points: square(1200) }]);
    expect(quantityOf(traced, 'a')).toBe('144');
    expect(quantityOf(traced, 'b')).toBe('384');
  });

  test('another label is another name, and everything that follows goes with it', () => {
    const document = documentOf([
      section([line('a', 'deck + deck_2 + min(deck_edge, 4)')], {
        space: { shape: { kind: 'traced', measure: 'deck' }, openings: [] },
      }),
    ]);
    addTraced(document, 'p', { id: 't', kind: 'area', label: 'Deck' }, []);
    addTraced(document, 'p', { id: 'u', kind: 'area', label: 'Deck' }, []);
    expect(document.plans![0]!.traced.map(({ name }) => name)).toEqual(['deck', 'deck_2']);
    expect(followersOf(document, 'deck')).toBe(2);
    renameTraced(document, 'p', 't', 'Rear terrace');
    expect(document.sections[0]!.entries[0]).toMatchObject({
      formula: 'rear_terrace + deck_2 + min(rear_terrace_edge, 4)',
    });
    expect(document.sections[0]!.space?.shape).toEqual({ kind: 'traced', measure: 'rear_terrace' });
    renameTraced(document, 'p', 't', '   ');
    expect(document.plans![0]!.traced[0]!.label).toBe('Rear terrace');
  });

  test('names for formulas come from labels, and never mean something else', () => {
    const taken = new Set(['deck', 'deck_edge']);
    expect(nameFor('Fence, north', taken)).toBe('fence_north');
    expect(nameFor('Deck', taken)).toBe('deck_2');
    expect(nameFor('Walls', taken)).toBe('walls_2');
    expect(nameFor('in', taken)).toBe('in_2');
    expect(nameFor('Façade 3', taken)).toBe('facade_3');
    expect(nameFor('3', taken)).toBe('m_measure');
    expect(nameFor('☀', taken)).toBe('m_measure');
  });

  test('marks and outlines are taken out one by one; a quantity may stand empty', () => {
    const document = documentOf([section([])]);
    const points = [
      [1, 1],
      [2, 2],
    ];
    addTraced(document, 'p', { id: 'c', kind: 'count', label: 'Posts' }, [{ points }]);
    removeFigure(document, 'p', 'c', 0, 0);
    expect(document.plans![0]!.traced[0]!.figures).toEqual([{ points: [[2, 2]] }]);
    removeFigure(document, 'p', 'c', 0, 0);
    expect(writeMeasured(document, 'posts')).toBe('0');
    const without = structuredClone(document);
    removeTraced(without, 'p', 'c');
    expect(measuresOf(without)).toEqual([]);
    expect(() => removeTraced(document, 'gone', 'c')).toThrow('not there any more');
  });

  test('a measure typed by hand keeps its text and is followed like any other', () => {
    const document = documentOf([section([{ ...line('a'), unit: 'ft' }])]);
    expect(addMeasure(document, { id: 'm', kind: 'length' }, 'Fence', '38+64+22')).toBe('fence');
    setQuantity(document, 'a', 'fence / 2');
    expect(quantityOf(document, 'a')).toBe('62');
    const changed = structuredClone(document);
    setMeasure(changed, 'm', `100' 6"`);
    expect(changed.measures).toEqual([
      { id: 'm', kind: 'length', name: 'fence', value: '100.5', typed: `100' 6"` },
    ]);
    expect(quantityOf(changed, 'a')).toBe('50.25');
  });

  test.each([
    [
      (document: ProposalDocument) =>
        addTraced(document, 'p', { id: 't', kind: 'count', label: 'x1' }, [{ points: [[9001, 0]] }]),
      'reaches outside the plan',
    ],
    [
      (document: ProposalDocument) => setScale(document, 'p', [0, 0], [0, 9001], '3'),
      'reaches outside the plan',
    ],
    [
      (document: ProposalDocument) => {
        document.measures = [{ id: 'm', kind: 'count', name: 'walls', value: '1' }];
      },
      'means something in formulas',
    ],
    [
      (document: ProposalDocument) => {
        document.measures = [{ id: 'm', kind: 'count', name: 'deck_edge', value: '1' }];
        addTraced(document, 'p', { id: 't', kind: 'area', label: 'other' }, []);
        document.plans![0]!.traced[0]!.name = 'deck';
      },
      'Two measures are called “deck_edge”',
    ],
  ])('what cannot be stored is told (%#)', (change, words) => {
    const document = documentOf([section([])]);
    change(document);
    expect(checkDocument(document)).toEqual([
      expect.objectContaining({ weight: 'wrong', message: expect.stringContaining(words) }),
    ]);
  });

  test('roots of whole numbers, also far beyond what a double holds', () => {
    for (const root of [0n, 1n, 2n, 3n, 10n, 94_906_267n, 10n ** 20n + 7n]) {
      expect(wholeRoot(root * root)).toBe(root);
      if (root > 1n) expect(wholeRoot(root * root - 1n)).toBe(root - 1n);
    }
  });
});

// Anything the schema lets through: figures or a sentence, never a throw, and no figure below zero.
test('whatever is traced: figures or a sentence', () => {
  const point = fc
    .tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }))
    .map(([x, y]) => [x, y]);
  const figure = fc.record(
    { points: fc.array(point, { minLength: 1, maxLength: 5 }), cut: fc.constant(true as const) },
    { requiredKeys: ['points'] },
  );
  const seen = { figures: 0, trouble: 0 };
  fc.assert(
    fc.property(
      fc.constantFrom('area' as const, 'length' as const, 'count' as const),
      fc.array(figure, { maxLength: 4 }),
      fc.option(fc.tuple(point, point, fc.constantFrom('0', '0.000001', '7', '12\' 6"', '999999'))),
      (kind, figures, scale) => {
        const traced: Traced = { id: 't', name: 'deck', label: 'Deck', kind, figures };
        const of: Plan = {
          ...plan,
          traced: [traced],
          ...(scale
            ? { scale: { from: scale[0], to: scale[1], length: { value: '7', typed: scale[2] } } }
            : {}),
        };
        const { figures: found, trouble } = readTraced(traced, of);
        expect(found === null).toBe(trouble !== null);
        if (trouble !== null) expect(trouble).toMatch(/“.*\.$|“.*them\.$|million/);
        if (found) {
          expect(found.value).toBeGreaterThanOrEqual(0n);
          expect(found.edge ?? 0n).toBeGreaterThanOrEqual(0n);
          expect(found.value % 1000n).toBe(0n);
        }
        seen[found ? 'figures' : 'trouble'] += 1;
      },
    ),
    { numRuns: 2000 },
  );
  expect(Math.min(seen.figures, seen.trouble)).toBeGreaterThan(200);
});

function writeMeasured(document: ProposalDocument, name: string): string {
  const found = measuresOf(document).find((each) => each.name === name)!;
  return String(found.value!.top / found.value!.bottom);
}
