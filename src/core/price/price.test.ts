import fc from 'fast-check';
import { produce } from 'immer';
import type { Line, Load, ProposalDocument } from '@/model';
import { anyChoices, anyDocument, bundle, line, plainDocument, runs } from '../../../tests/support/documents';
import { asSuggested } from '@/model';
import { setQuantity } from '../editing';
import type { Amount } from '../number';
import { sumAmounts, writeAmount, writeFixed } from '../number';
import { computeFigures, feeOn, labourHours, netParts, otherWay, readMarkup } from '.';
import { figuresReport } from '../offer';

const load = (id: string, kind: Load['kind'], percent: string, base: Load['base']): Load => ({
  id,
  name: id,
  kind,
  percent,
  base,
});
const total = (loads: Load[]) => {
  const document = plainDocument([{ id: 's', title: 'S', entries: [line('l', '1', '100')] }], { loads });
  return writeAmount(computeFigures(document).total, 2);
};
const anyCase = anyDocument().chain((document) =>
  anyChoices(document).map((choices) => ({ document, choices })),
);

describe('from cost to price', () => {
  const overhead = load('overhead', 'overhead', '10', 'direct');
  test('worked values: 10 % on direct, 15 % on running, a bond of 1.5 % of price', () => {
    expect(total([overhead, load('profit', 'profit', '15', 'running')])).toBe('126.50');
    expect(
      total([overhead, load('profit', 'profit', '15', 'running'), load('bond', 'bond', '1.5', 'price')]),
    ).toBe('128.43');
    expect(total([overhead, load('profit', 'profit', '15', 'direct')])).toBe('125.00');
  });
  test('a line with markup of its own leaves those of the proposal aside; the rows still lead from cost to price', () => {
    const of = (...own: Load[]) =>
      computeFigures(
        plainDocument(
          [{ id: 's', title: 'S', entries: [line('l', '1', '100'), line('m', '1', '100', { loads: own })] }],
          { loads: [overhead, load('profit', 'profit', '15', 'running')] },
        ),
      );
    const rows = (figures: ReturnType<typeof of>) =>
      figures.loads.map(({ load: { name }, amount }) => `${name} ${writeAmount(amount, 2)}`);

    const lower = of(load('own', 'profit', '5', 'direct'));
    expect(writeAmount(lower.priced, 2)).toBe('231.50');
    expect(rows(lower)).toEqual(['overhead 10.00', 'profit 21.50']);

    const passed = of();
    expect(writeAmount(passed.priced, 2)).toBe('226.50');
    expect(rows(passed)).toEqual(['overhead 10.00', 'profit 16.50']);

    const other = of(load('bond', 'bond', '20', 'price'));
    expect(writeAmount(other.priced, 2)).toBe('251.50');
    expect(rows(other)).toEqual(['overhead 10.00', 'profit 16.50', 'bond 25.00']);
  });
  test('hours of work: per unit by quantity, all labour of all lines', () => {
    const labour = { type: 'labour' as const, rate: '40' };
    const figures = computeFigures(
      plainDocument([
        {
          id: 's',
          title: 'S',
          entries: [
            line('l', '12.5', '1', {
              costs: [
                { ...labour, hours: '0.25' },
                { ...labour, hours: '0.031' },
              ],
            }),
            line('m', '3', '1'),
          ],
        },
      ]),
    );
    // 12.5 × 0.281 = 3.5125
    expect(writeFixed(labourHours(figures.sections[0]!.lines))).toBe('3.513');
  });
  test('50 % markup is 33.33 % margin', () => {
    const document = plainDocument([{ id: 's', title: 'S', entries: [line('l', '1', '100')] }], {
      loads: [load('profit', 'profit', '50', 'direct')],
    });
    const figures = computeFigures(document);
    expect(writeFixed(figures.markup!)).toBe('0.5');
    expect(writeFixed(figures.margin!)).toBe('0.333333');
  });
  test.each([
    // Common practice, no source: margin = markup ÷ (1 + markup), markup = margin ÷ (1 − margin).
    ['50', 'direct', '33.33'],
    ['25', 'running', '20.00'],
    ['20', 'price', '25.00'],
    ['0', 'price', '0.00'],
    ['100', 'price', null],
  ] as const)('%s %% of %s said the other way is %s', (percent, base, other) =>
    expect(otherWay({ percent, base })).toBe(other),
  );
  test.each([
    ['20% margin', 'direct', { percent: '20', base: 'price' }],
    ['25 Markup', 'price', { percent: '25', base: 'running' }],
    ['25 markup', 'direct', { percent: '25', base: 'direct' }],
    ['12.5 %', 'price', { percent: '12.5', base: 'price' }],
  ] as const)('“%s” where it was of %s', (text, base, read) => expect(readMarkup(text, base)).toEqual(read));
  test('a margin of all of the price is refused in words', () => {
    expect(() => readMarkup('100 margin', 'direct')).toThrow('This percentage goes from 0 to 99.');
    expect(() => readMarkup('margin', 'direct')).toThrow();
  });
  test('a load on one cost type leaves the others alone', () => {
    const document = plainDocument(
      [
        {
          id: 's',
          title: 'S',
          entries: [
            line('l', '2', '10', {
              costs: [
                { type: 'material', amount: '10' },
                { type: 'labour', hours: '0.5', rate: '40' },
              ],
            }),
          ],
        },
      ],
      { loads: [{ ...overhead, costTypes: ['labour'] }] },
    );
    expect(writeAmount(computeFigures(document).total, 2)).toBe('64.00');
  });
  test('a held price stays when cost and loads move; its margin moves instead', () => {
    const held = plainDocument(
      [{ id: 's', title: 'S', entries: [line('l', '3', '10', { heldPrice: '15' })] }],
      { loads: [overhead] },
    );
    const dearer = { ...held, loads: [load('overhead', 'overhead', '30', 'direct')] };
    expect(computeFigures(held).total).toBe(4500n);
    expect(computeFigures(dearer).total).toBe(4500n);
  });
  test('a held price counts as it is shown, in the places of the line', () => {
    const held = (more: Partial<Line>) =>
      computeFigures(
        plainDocument([
          { id: 's', title: 'S', entries: [line('l', '1000', '1', { heldPrice: '1.2345', ...more })] },
        ]),
      ).total;
    expect(held({})).toBe(123_000n);
    expect(held({ pricePlaces: 4 })).toBe(123_450n);
  });
  test('a typed cost keeps the value it replaced', () => {
    const document = plainDocument([
      { id: 's', title: 'S', entries: [line('l', '1', '10', { typedCost: '12.5' })] },
    ]);
    const cost = computeFigures(document).sections[0]!.lines[0]!.cost;
    expect([writeFixed(cost.total), writeFixed(cost.replaced!)]).toEqual(['12.5', '10']);
  });
  test('a load of the whole price is refused', () => {
    expect(() => total([load('bond', 'bond', '100', 'price')])).toThrow(/below 100 %/);
  });
});

describe('what is shown adds up', () => {
  test('for any document and any choices: lines to sections to subtotal to total, cost to price', () => {
    fc.assert(
      fc.property(anyCase, ({ document, choices }) => {
        const figures = computeFigures(document, choices);
        for (const section of figures.sections) {
          const taken = section.lines.filter((each) => each.included);
          expect(sumAmounts(taken.map((each) => each.net))).toBe(section.amount);
          expect(sumAmounts(taken.map((each) => each.netOfSection))).toBe(section.net);
          expect(section.amount - section.discount).toBe(section.net);
          expect(sumAmounts(taken.map((each) => each.costAmount))).toBe(section.cost);
        }
        expect(sumAmounts(figures.sections.map((section) => section.net)) - figures.discount).toBe(
          figures.subtotal,
        );
        expect(figures.priced - figures.innerDiscount - figures.discount).toBe(figures.subtotal);
        expect(
          figures.cost +
            sumAmounts(figures.loads.map((each) => each.amount)) +
            figures.allowanceFees +
            figures.unloaded,
        ).toBe(figures.priced - figures.taxInside);
        expect(figures.beforeTax - figures.cost).toBe(figures.profit);
        const fees = sumAmounts(figures.fees.map((fee) => fee.amount));
        const inside = document.tax?.inside && !document.tax.exempt;
        if (!inside) expect([figures.beforeTax, figures.taxInside]).toEqual([figures.subtotal, 0n]);
        const onTop = inside ? 0n : figures.taxTotal;
        expect(figures.subtotal + fees + onTop).toBe(figures.total);
        expect(sumAmounts(netParts(document, figures).map((part) => part.net)) + figures.taxTotal).toBe(
          figures.total,
        );
      }),
      { numRuns: runs(300) },
    );
  });
  test('the base of a component is the net of its class, discounts and fees with it; on top of others, their tax too', () => {
    fc.assert(
      fc.property(anyCase, ({ document, choices }) => {
        const figures = computeFigures(document, choices);
        const parts = netParts(document, figures);
        for (const taxClass of document.taxClasses) {
          const net = parts.reduce((sum, part) => (part.taxClass === taxClass.id ? sum + part.net : sum), 0n);
          let before = 0n;
          for (const component of taxClass.components) {
            const tax = figures.taxes.find(
              (each) => each.taxClass === taxClass.id && each.component === component.id,
            )!;
            if (!document.tax?.exempt) expect(tax.base).toBe(component.onTop ? net + before : net);
            else expect(tax.amount).toBe(0n);
            before += tax.amount;
          }
        }
      }),
    );
  });
  test('a second tax on top of the first: 100.00 at 5 %, then 9.975 % of 105.00', () => {
    // Arithmetic of a tax reckoned on the price with the first tax in it; common practice, no source.
    const taxClasses = [
      {
        id: 'taxed',
        name: 'Taxed',
        components: [
          { id: 'a', name: 'First', percent: '5' },
          { id: 'b', name: 'Second', percent: '9.975', onTop: true },
        ],
      },
    ];
    const of = (price: string, tax?: ProposalDocument['tax']) =>
      computeFigures(
        plainDocument([{ id: 's', title: 'S', entries: [line('a', '1', '0', { heldPrice: price })] }], {
          taxClasses,
          ...(tax ? { tax } : {}),
        }),
      );
    expect(of('100').taxes.map(({ amount }) => amount)).toEqual([500n, 1047n]);
    // Inside, the same price holds the same tax: 115.47 ÷ 1.1547375 = 100.00.
    const inside = of('115.47', { inside: true });
    expect([inside.total, inside.beforeTax]).toEqual([11547n, 10000n]);
    expect(inside.taxes.map(({ amount }) => amount)).toEqual([500n, 1047n]);
    expect(of('100', { exempt: { reason: 'School' } })).toMatchObject({ total: 10000n, taxTotal: 0n });
  });
  test('rounded on each line, three lines of 0.10 at 5 % make 0.03 of tax; once on the sum, 0.02', () => {
    const of = (tax?: ProposalDocument['tax']) =>
      computeFigures(
        plainDocument(
          [
            {
              id: 's',
              title: 'S',
              entries: ['a', 'b', 'c'].map((id) => line(id, '1', '0', { heldPrice: '0.10' })),
            },
          ],
          {
            taxClasses: [{ id: 'taxed', name: 'T', components: [{ id: 'x', name: 'X', percent: '5' }] }],
            ...(tax ? { tax } : {}),
          },
        ),
      ).taxTotal;
    expect([of(), of({ rounding: 'line' })]).toEqual([2n, 3n]);
  });
  test('a section earns by its prices without the tax in them, taken out of each line where tax is rounded by line', () => {
    const of = (tax: ProposalDocument['tax']) =>
      computeFigures(
        plainDocument(
          [
            {
              id: 's',
              title: 'S',
              entries: ['a', 'b', 'c'].map((id) => line(id, '1', '0.05', { heldPrice: '0.11' })),
            },
          ],
          {
            taxClasses: [{ id: 'taxed', name: 'T', components: [{ id: 'x', name: 'X', percent: '7' }] }],
            ...(tax ? { tax } : {}),
          },
        ),
      );
    // 0.33 ÷ 1.07 = 0.3084, so 0.31 of the sum; 0.11 ÷ 1.07 = 0.1028, so 0.10 of each line.
    for (const [tax, beforeTax] of [
      [{ inside: true }, 31n],
      [{ inside: true, rounding: 'line' }, 30n],
    ] as const) {
      const figures = of(tax);
      const section = figures.sections[0]!;
      expect([section.cost, section.beforeTax, figures.beforeTax]).toEqual([15n, beforeTax, beforeTax]);
      expect(section.margin).toBe(figures.margin);
    }
  });
  test('loads nearest to the line count: its own, its bundle’s, its section’s, the proposal’s', () => {
    const profit = (percent: string) => [
      { id: 'p', name: 'Profit', kind: 'profit' as const, percent, base: 'direct' as const },
    ];
    const item = {
      description: 'Post',
      unit: 'each' as const,
      costs: [{ type: 'material' as const, amount: '100' }],
      taxClass: 'taxed',
    };
    const parts = [{ id: 'p', name: 'post', item: 'post', quantity: '1' }];
    const document = plainDocument(
      [
        { id: 's1', title: 'S', entries: [line('a', '1', '100')] },
        {
          id: 's2',
          title: 'S',
          loads: profit('20'),
          entries: [
            line('b', '1', '100'),
            bundle('c', { post: item }, parts),
            bundle('d', { post: item }, parts, { loads: profit('30') }),
            bundle('e', { post: { ...item, loads: profit('40') } }, parts, { loads: profit('30') }),
          ],
        },
      ],
      { loads: profit('10') },
    );
    const lines = computeFigures(document).sections.flatMap((section) => section.lines);
    expect(lines.map(({ net }) => net)).toEqual([11000n, 12000n, 12000n, 13000n, 14000n]);
    const { cost, loads, priced } = computeFigures(document);
    expect(cost + sumAmounts(loads.map(({ amount }) => amount))).toBe(priced);
  });
  test('a discount never takes a line below zero', () => {
    const document = plainDocument(
      [
        {
          id: 's',
          title: 'S',
          discount: { amount: '99999' },
          entries: [line('a', '1', '50'), line('b', '1', '50', { discount: { amount: '60' } })],
        },
      ],
      { discount: { percent: '10' } },
    );
    expect(computeFigures(document).total).toBe(0n);
  });
});

describe('incremental is from scratch', () => {
  test('after an edit the kept parts give the same figures as a fresh copy', () => {
    fc.assert(
      fc.property(
        anyCase,
        fc.nat(),
        fc.integer({ min: 0, max: 99 }),
        ({ document, choices }, which, quantity) => {
          const ids = document.sections.flatMap((section) =>
            section.entries.filter((entry) => entry.kind === 'line').map(({ id }) => id),
          );
          fc.pre(ids.length > 0);
          computeFigures(document, choices);
          const edited = produce(document, (draft) =>
            setQuantity(draft, ids[which % ids.length]!, String(quantity)),
          );
          expect(figuresReport(edited, choices)).toEqual(figuresReport(structuredClone(edited), choices));
          expect(figuresReport(document, choices)).toEqual(figuresReport(structuredClone(document), choices));
        },
      ),
    );
  });
  test('an untouched section keeps its figures object', () => {
    const document = plainDocument([
      { id: 's1', title: 'One', entries: [line('a', '1', '10')] },
      { id: 's2', title: 'Two', entries: [line('b', '1', '10')] },
    ]);
    const before = computeFigures(document, asSuggested);
    const edited = produce(document, (draft) => setQuantity(draft, 'a', '2'));
    const after = computeFigures(edited, asSuggested);
    expect(after.sections[1]).toBe(before.sections[1]);
    expect((after.total - before.total) as Amount).toBe(1000n);
  });
});

test('a fee by percent stops at its most, on both sides of nothing', () => {
  const fee = (most?: string) => ({ amount: { percent: '5', ...(most === undefined ? {} : { most }) } });
  expect(feeOn(fee(), 100_000n as Amount, 2)).toBe(5_000n);
  expect(feeOn(fee('40'), 100_000n as Amount, 2)).toBe(4_000n);
  expect(feeOn(fee('40'), 79_999n as Amount, 2)).toBe(4_000n);
  expect(feeOn(fee('40'), 79_980n as Amount, 2)).toBe(3_999n);
  expect(feeOn(fee('40'), -100_000n as Amount, 2)).toBe(-4_000n);
  expect(feeOn(fee('0'), 100_000n as Amount, 2)).toBe(0n);
});
