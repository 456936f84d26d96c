import fc from 'fast-check';
import { anyDocument, line, plainDocument, runs } from '../../../tests/support/documents';
import { manyChoices } from '../../../tests/support/manyChoices';
import type { Choices, Menu, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { brokenRules, checkChoices, menuOf } from '../choice';
import { parseFixed, writeFixed } from '../number';
import { computeFigures } from '../price';
import { rangeOf } from '.';

/** Every choice there is, whether or not it makes a difference; null when there are too many to try. */
function everyChoice(menu: Menu, most: number): Choices[] | null {
  let all: Choices[] = [{ extras: {}, questions: {}, tiers: {} }];
  const widen = (ways: readonly ((choices: Choices) => Choices)[]) => {
    all = all.flatMap((choices) => ways.map((way) => way(choices)));
    return all.length <= most;
  };
  for (const { id, extra } of menu.extras) {
    const limits = extra.quantity;
    const quantities: (string | undefined)[] = limits ? [] : [undefined];
    if (limits)
      for (
        let n = parseFixed(limits.minimum);
        n <= parseFixed(limits.maximum);
        n = (n + parseFixed(limits.step)) as typeof n
      )
        quantities.push(writeFixed(n));
    const decide = (decision: { in: boolean; quantity?: string }) => (choices: Choices) => ({
      ...choices,
      extras: { ...choices.extras, [id]: decision },
    });
    const ways = [
      decide({ in: false }),
      // The offered quantity, which may be off the steps, and every one the customer may set.
      decide({ in: true }),
      ...quantities.flatMap((quantity) => (quantity === undefined ? [] : [decide({ in: true, quantity })])),
    ];
    if (!widen(ways)) return null;
  }
  for (const { id, answers } of menu.questions)
    if (
      !widen(
        answers.map((answer) => (choices) => ({
          ...choices,
          questions: { ...choices.questions, [id]: answer.id },
        })),
      )
    )
      return null;
  for (const { id, levels } of menu.tiers)
    if (
      !widen(
        levels.map((level) => (choices) => ({ ...choices, tiers: { ...choices.tiers, [id]: level.id } })),
      )
    )
      return null;
  return all.filter((choices) => brokenRules(menu, choices).length === 0);
}

test.each([
  ['without rules', false],
  ['with rules', true],
])('the range is what trying every combination gives, %s', (_, rules) => {
  let tried = 0;
  fc.assert(
    fc.property(anyDocument({ rules, most: 3 }), (document) => {
      const all = everyChoice(menuOf(document), 3000);
      if (!all || all.length === 0) return;
      tried += 1;
      const range = rangeOf(document);
      expect(range.exact).toBe(true);
      const figures = all.map((choices) => computeFigures(document, choices));
      const totals = figures.map(({ total }) => total);
      expect(range.lowest.total).toBe(totals.reduce((least, each) => (each < least ? each : least)));
      expect(range.highest.total).toBe(totals.reduce((most, each) => (each > most ? each : most)));
      // Margins as fractions, compared without dividing.
      const priced = figures.filter(({ beforeTax }) => beforeTax > 0n);
      const lower = (a: (typeof priced)[number], b: (typeof priced)[number]) =>
        b.cost * a.beforeTax < a.cost * b.beforeTax;
      if (priced.length === 0) {
        expect([range.lowestMargin, range.highestMargin]).toEqual([null, null]);
        return;
      }
      const least = priced.reduce((best, each) => (lower(each, best) ? each : best));
      const most = priced.reduce((best, each) => (lower(best, each) ? each : best));
      expect([range.lowestMargin?.margin, range.highestMargin?.margin]).toEqual([least.margin, most.margin]);
      // The combination named is one that can be picked and leads there.
      for (const end of [range.lowest, range.highest, range.lowestMargin!, range.highestMargin!]) {
        expect(
          checkChoices(menuOf(document), end.choices).filter(({ message }) => !message.includes('quantity')),
        ).toEqual([]);
        expect(computeFigures(document, end.choices).total).toBe(end.total);
      }
    }),
    { numRuns: runs(150) },
  );
  expect(tried).toBeGreaterThan(20);
});

test('where work below zero makes the cost less than none, the lowest margin is still the lowest', () => {
  const sales = (id: string, percent: string) => ({ id, name: id, percent });
  const document: ProposalDocument = {
    ...plainDocument([
      {
        id: 's1',
        title: 'Credit',
        entries: [
          line('l2', '-0.007', '0', {
            heldPrice: '479.29',
            costs: [{ type: 'labour', hours: '0.03', rate: '71.43' }],
          }),
        ],
      },
      {
        id: 's3',
        title: 'Extra',
        entries: [
          line('l4', '0.000', '0', {
            costs: [],
            pack: '1.0',
            heldPrice: '205.83',
            discount: { percent: '17.62' },
            extra: { in: false, quantity: { minimum: '0', maximum: '6', step: '1' } },
          }),
        ],
      },
      { id: 's5', title: 'Empty', entries: [] },
    ]),
    loads: [
      { id: 'o', name: 'Overhead', kind: 'overhead', percent: '0.00', base: 'direct' },
      { id: 'p', name: 'Profit', kind: 'profit', percent: '0.00', base: 'running' },
      { id: 'b', name: 'Bond', kind: 'bond', percent: '0.00', base: 'price' },
    ],
    taxClasses: [
      { id: 'taxed', name: 'Taxed', components: [sales('state', '6.25'), sales('county', '1.375')] },
      { id: 'half', name: 'Reduced', components: [sales('state', '3')] },
      { id: 'free', name: 'Free', components: [] },
    ],
    discount: { amount: '844.44' },
  };
  const margins = everyChoice(menuOf(document), 100)!
    .map((choices) => computeFigures(document, choices))
    .filter(({ beforeTax }) => beforeTax > 0n)
    .map(({ margin }) => margin!);
  const { lowestMargin, highestMargin } = rangeOf(document);
  const ordered = [...margins].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));
  expect(ordered.length).toBeGreaterThan(1);
  expect([lowestMargin?.margin, highestMargin?.margin]).toEqual([ordered[0], ordered.at(-1)]);
});

test('two hundred choices with rules between them: exact, and better than any of a thousand tries', () => {
  const document = manyChoices();
  const menu = menuOf(document);
  expect(menu.extras.length + menu.questions.length).toBe(200);
  const range = rangeOf(document);
  expect(range.exact).toBe(true);
  let seed = 1;
  const random = (below: number) => {
    seed = (seed * 48271) % 2147483647;
    return seed % below;
  };
  for (let n = 0; n < 1000; n += 1) {
    const choices: Choices = {
      extras: Object.fromEntries(menu.extras.map(({ id }) => [id, { in: random(2) === 0 }])),
      questions: Object.fromEntries(
        menu.questions.map(({ id, answers }) => [id, answers[random(answers.length)]!.id]),
      ),
    };
    if (brokenRules(menu, choices).length > 0) continue;
    const { total } = computeFigures(document, choices);
    expect(total >= range.lowest.total && total <= range.highest.total).toBe(true);
  }
  expect(computeFigures(document, asSuggested).total).toBeLessThan(Number(range.highest.total));
});
