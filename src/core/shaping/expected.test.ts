import fc from 'fast-check';
import { anyDocument, line, plainDocument } from '../../../tests/support/documents';
import { cashCurve } from '../insight';
import { moneyOf, writeAmount } from '../number';
import { computeFigures } from '../price';
import { TargetError, costPrice, expectedOutcome, freeLines, reweighted, roundingLine, shapePrices } from '.';
import { asSuggested } from '@/model';
import type { ProposalDocument } from '@/model';

const money = moneyOf(2);
const loads: ProposalDocument['loads'] = [
  { id: 'p', name: 'Profit', kind: 'profit', percent: '25', base: 'running' },
];

/** 100 of earth that will be 60, 40 of concrete that will be 50, and a gate. */
const ditch = plainDocument(
  [
    {
      id: 's',
      title: 'Ditch',
      entries: [
        line('earth', '100', '20', { expected: '60' }),
        line('concrete', '40', '50', { expected: '50' }),
        line('gate', '1', '400'),
      ],
    },
  ],
  { loads },
);

test('what the expected quantities would bring, at the prices offered', () => {
  // Offered: 100 × 25 + 40 × 62.50 + 500 = 5,500.00 for 4,400.00; expected: 60 × 25 + 50 × 62.50 + 500 for 4,100.00.
  expect(expectedOutcome(ditch)).toEqual({
    lines: 2,
    offered: { revenue: money.parse('5500'), cost: money.parse('4400'), profit: money.parse('1100') },
    expected: { revenue: money.parse('5125'), cost: money.parse('4100'), profit: money.parse('1025') },
  });
  expect(
    expectedOutcome(plainDocument([{ id: 's', title: 'S', entries: [line('a', '1', '1')] }])),
  ).toBeNull();
});

test('re-weighted: what shrinks goes to cost and no lower, what grows carries it, the offered total stays', () => {
  const { document, figures, moves, missing } = reweighted(ditch);
  expect([figures.total, missing]).toEqual([money.parse('5500'), 0n]);
  // Earth to 20.00 frees 500.00, on 40 of concrete 12.50 each.
  expect(moves.map(({ id, after }) => [id, after])).toEqual([
    ['earth', 20_000_000n],
    ['concrete', 75_000_000n],
  ]);
  // Now: 60 × 20 + 50 × 75 + 500 = 5,450.00 for the same 4,100.00.
  expect(expectedOutcome(document)!.expected.profit).toBe(money.parse('1350'));
  const flat = (more: Partial<Parameters<typeof line>[3]>) =>
    plainDocument([{ id: 's', title: 'S', entries: [line('a', '10', '5', more), line('b', '10', '5')] }], {
      loads,
    });
  expect(() => reweighted(flat({ expected: '4' }))).toThrow('to grow');
  expect(() => reweighted(flat({ expected: '14' }))).toThrow('to shrink');
});

test('re-weighting never takes the offered total away, prices nothing below cost, and leaves what is held', () => {
  fc.assert(
    fc.property(
      anyDocument({ negativeLines: false, most: 4 }),
      fc.array(fc.integer({ min: 0, max: 300 }), { minLength: 8, maxLength: 8 }),
      (drawn, factors) => {
        let n = 0;
        const document: ProposalDocument = {
          ...drawn,
          sections: drawn.sections.map((section) => ({
            ...section,
            entries: section.entries.map((entry) =>
              entry.kind === 'line'
                ? {
                    ...entry,
                    expected: String(Math.floor((Number(entry.quantity) * factors[n++ % 8]!) / 100)),
                  }
                : entry,
            ),
          })),
        };
        const before = computeFigures(document);
        let after;
        try {
          after = reweighted(document);
        } catch (error) {
          if (!(error instanceof TargetError)) throw error;
          return;
        }
        const lines = after.figures.sections.flatMap((section) => section.lines);
        for (const [i, was] of before.sections.flatMap((section) => section.lines).entries())
          if (was.held || !was.included) expect(lines[i]!.unitPrice).toBe(was.unitPrice);
        for (const free of freeLines(before)) {
          const now = lines.find(({ line: each }) => each.id === free.id)!;
          if (now.unitPrice < free.figures.unitPrice) expect(now.unitPrice >= costPrice(free)).toBe(true);
        }
        expect(after.figures.total + after.missing).toBe(before.total);
      },
    ),
  );
});

test('a target that no price meets is met by a line of its own, taxed or not, above and below', () => {
  const stubborn = plainDocument(
    [{ id: 's', title: 'S', entries: [line('a', '3', '10'), line('b', '3', '20')] }],
    {
      loads,
      discount: { percent: '3' },
      taxClasses: [
        { id: 'taxed', name: 'T', components: [{ id: 'c', name: 'C', percent: '6.25' }] },
        { id: 'free', name: 'F', components: [] },
      ],
    },
  );
  let met = 0;
  for (const target of ['100.01', '120', '149.99']) {
    const shaped = shapePrices(stubborn, { target: { kind: 'total', amount: target }, spread: 'cost' });
    if (shaped.missing === 0n) continue;
    met += 1;
    const rounding = roundingLine(shaped.document, shaped.missing, 'r')!;
    const [section] = shaped.document.sections;
    const with_ = {
      ...shaped.document,
      sections: [{ ...section!, entries: [...section!.entries, rounding] }],
    };
    expect(writeAmount(computeFigures(with_, asSuggested).total, 2)).toBe(Number(target).toFixed(2));
  }
  expect(met).toBeGreaterThan(0);
  expect(roundingLine(stubborn, 0n as never, 'r')).toBeNull();
});

test('cash over the stages: front-loading lifts the lowest point when work is paid as it is done', () => {
  const staged = (early: string, late: string) =>
    plainDocument(
      [
        {
          id: 's',
          title: 'S',
          entries: [
            line('frame', '1', '1000', { phase: 'Frame', heldPrice: early }),
            line('trim', '1', '1000', { phase: 'Trim', heldPrice: late }),
          ],
        },
      ],
      {
        schedule: [
          { id: 'd', name: 'Deposit', kind: 'deposit', share: { percent: '10' }, due: { on: 'acceptance' } },
          {
            id: 'f',
            name: 'Frame',
            kind: 'stage',
            share: { percent: '40' },
            due: { on: 'stage', stage: 'frame' },
          },
          { id: 'e', name: 'End', kind: 'final', share: { rest: true }, due: { on: 'stage', stage: 'Done' } },
        ],
      },
    );
  const even = cashCurve(staged('1250', '1250'));
  expect(even.points).toEqual([
    { name: 'Signing', spent: 0n, byWork: 0n, bySchedule: money.parse('250') },
    {
      name: 'Frame',
      spent: money.parse('1000'),
      byWork: money.parse('1250'),
      bySchedule: money.parse('1250'),
    },
    {
      name: 'Trim',
      spent: money.parse('2000'),
      byWork: money.parse('2500'),
      bySchedule: money.parse('2500'),
    },
  ]);
  expect(even.lowest).toEqual({ byWork: money.parse('-1000'), bySchedule: money.parse('-750') });
  const front = cashCurve(staged('1450', '1050'));
  expect(front.points[1]!.byWork).toBe(money.parse('1450'));
  expect(front.points.at(-1)).toEqual(even.points.at(-1));
  fc.assert(
    fc.property(anyDocument({ most: 4 }), (document) => {
      const { points } = cashCurve(document);
      const { cost, beforeTax } = computeFigures(document);
      if (points.length === 1) return;
      expect(points.at(-1)).toMatchObject({ spent: cost, byWork: beforeTax, bySchedule: beforeTax });
    }),
  );
});
