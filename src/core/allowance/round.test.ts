import { line, plainDocument } from '../../../tests/support/documents';
import { setAllowance, setCost, setPrice } from '../editing';
import { figuresReport } from '../offer/figuresReport';
import { validateDocument } from '../offer/validateDocument';
import { customerView } from '../offer/customerView';
import { checkChoices } from '../choice';
import { moneyOf, parseFixed } from '../number';
import { computeFigures } from '../price';
import type { Allowance, ProposalDocument, SelectionRound } from '@/model';
import { asSuggested } from '@/model';
import { menuOfRound, picksInWords, roundFigures, roundLimits, roundProblems } from '.';

const tiles: SelectionRound = {
  id: 'tiles',
  name: 'Floor tiles',
  due: '2026-12-20',
  questions: [
    {
      id: 'tile',
      prompt: 'Tile',
      suggested: 'clay',
      none: { name: 'No tiles yet' },
      alternatives: [
        { id: 'clay', name: 'Clay red', price: '5.25', per: 'unit' },
        { id: 'slate', name: 'Slate grey', price: '8.40', per: 'unit' },
      ],
    },
  ],
  extras: [
    { id: 'border', name: 'Border', price: '140', per: 'whole', in: false },
    {
      id: 'spare',
      name: 'Spare box',
      price: '31.50',
      per: 'whole',
      in: true,
      quantity: { minimum: '1', maximum: '4', step: '1' },
    },
  ],
};
const scale = { quantity: parseFixed('112.5'), minorDigits: 2 };
const money = moneyOf(2);

const withAllowance = (more: Partial<Allowance> = {}, quantity = '112.5'): ProposalDocument =>
  plainDocument(
    [
      {
        id: 's',
        title: 'Sunroom',
        entries: [
          line('floor', quantity, '0', {
            description: 'Floor tiles',
            unit: 'sqft',
            allowance: {
              rule: 'at cost, fee on the excess',
              amount: '6.50',
              fee: '20',
              shows: 'spend',
              rounds: [tiles],
              ...more,
            },
          }),
        ],
      },
    ],
    { shows: 'prices' },
  );

test('by the unit, for the whole, by number: each selection rounded, what is not decided as suggested', () => {
  // 112.5 × 5.25 = 590.625 → 590.63, and one spare box.
  expect(roundFigures(tiles, asSuggested, scale).chosen).toBe(money.parse('622.13'));
  const other = {
    questions: { tile: 'slate' },
    extras: { border: { in: true }, spare: { in: true, quantity: '3' } },
  };
  // 112.5 × 8.40 = 945.00, the border 140.00, three boxes 94.50.
  expect(roundFigures(tiles, other, scale).chosen).toBe(money.parse('1179.50'));
  expect(picksInWords(tiles, other)).toEqual(['Tile: Slate grey', 'Border', 'Spare box × 3']);
  expect(picksInWords(tiles, { questions: { tile: 'none' }, extras: { spare: { in: false } } })).toEqual([
    'Tile: No tiles yet',
  ]);
  expect(roundLimits(tiles, scale)).toEqual({ least: 0n, most: money.parse('1211.00') });
});

test('the fee of an allowance is no part of the markup: profit is its percent of what it is on', () => {
  for (const rule of ['at our price', 'at cost, fee fixed'] as const) {
    const plain = withAllowance({ rule });
    const document = {
      ...plain,
      loads: [{ id: 'p', name: 'Profit', kind: 'profit' as const, percent: '20', base: 'direct' as const }],
      sections: [
        { ...plain.sections[0]!, entries: [...plain.sections[0]!.entries, line('deck', '10', '100')] },
      ],
    };
    const figures = computeFigures(document);
    expect(figures.loads.map(({ amount }) => amount)).toEqual([money.parse('200.00')]);
    const fee = figures.sections[0]!.lines.find(({ line: { id } }) => id === 'floor')!;
    expect(figures.allowanceFees).toBe(fee.gross - fee.costAmount);
    expect(figures.profit).toBe(money.parse('200.00') + figures.allowanceFees);
  }
});

test('what cannot be chosen is refused by the same checks as every choice', () => {
  const menu = menuOfRound(tiles);
  const problem = (choices: typeof asSuggested) => checkChoices(menu, choices)[0]?.message;
  expect(problem({ questions: { tile: 'gold' }, extras: {} })).toBe('This alternative is not offered.');
  expect(problem({ questions: {}, extras: { spare: { in: true, quantity: '5' } } })).toMatch(/from 1 to 4/);
  expect(problem({ questions: {}, extras: { border: { in: true, quantity: '2' } } })).toMatch(/fixed/);
});

test('an allowance in a proposal: its price, what may be spent, its rounds; the fee apart where it is shown', () => {
  const report = figuresReport(withAllowance(), {
    questions: { tile: 'slate' },
    extras: { border: { in: true } },
  });
  // 6.50 ÷ 0.8 = 8.125 → 8.13 × 112.5 = 914.63; to spend 112.5 × 6.50 = 731.25.
  // Chosen 945 + 140 + 31.50 = 1,116.50: 385.25 over it, ÷ 0.8 = 481.56.
  expect(report.total).toBe('914.63');
  expect(report.cost).toBe('731.25');
  expect(report.allowances).toMatchObject([
    {
      price: '914.63',
      spend: '731.25',
      chosen: '1116.50',
      settlement: '0.00',
      rounds: [{ due: '2026-12-20', left: '-385.25', adjustment: '481.56' }],
    },
  ]);
  const [entry] = customerView(withAllowance(), asSuggested).sections[0]!.entries;
  expect(entry).toMatchObject({
    amount: '914.63',
    allowance: expect.stringMatching(/731\.25 to spend.*20 % of the price/),
    parts: [
      { description: 'For you to spend', amount: '731.25' },
      { description: 'Our fee', amount: '183.38' },
    ],
  });
  expect(customerView(withAllowance({ shows: 'price' }), asSuggested).sections[0]!.entries[0]).toMatchObject({
    parts: [],
  });
});

test('the desk types the amount to spend where the rule measures it; the other figure follows', () => {
  const atOurs = withAllowance({ rule: 'at our price' }, '1');
  setPrice(atOurs, 'floor', '7.25');
  expect(computeFigures(atOurs)).toMatchObject({ total: money.parse('7.25'), cost: money.parse('5.80') });
  expect(() => setCost(atOurs, 'floor', '5')).toThrow(/follows from the amount to spend/);
  const atCost = withAllowance({ rule: 'at cost, fee fixed' }, '1');
  setCost(atCost, 'floor', '8');
  expect(computeFigures(atCost)).toMatchObject({ total: money.parse('10.00'), cost: money.parse('8.00') });
  expect(() => setPrice(atCost, 'floor', '5')).toThrow(/follows from the amount to spend/);
  setAllowance(atCost, 'floor', null);
  expect(computeFigures(structuredClone(atCost)).total).toBe(0n);
});

test('what an allowance cannot be is said in a sentence', () => {
  const said = (document: ProposalDocument) => validateDocument(document).map(({ message }) => message);
  expect(said(withAllowance())).toEqual([]);
  expect(said(withAllowance({ fee: '100' }))[0]).toMatch(/below 100 %/);
  expect(said(withAllowance({ amount: '6.505' }))[0]).toMatch(/at most 2 decimals/);
  const twice = { ...tiles, extras: [...tiles.extras, { ...tiles.extras[0]!, price: '1.005' }] };
  expect(roundProblems(twice, 2)).toEqual(['the price of “Border” has at most 2 decimals.']);
  expect(said(withAllowance({ rounds: [twice] }))).toContain('Two parts carry the identity “border”.');
  const gone = { ...tiles, questions: [{ ...tiles.questions[0]!, suggested: 'oak' }] };
  expect(roundProblems(gone, 2)).toEqual(['“Tile” suggests something that is not there.']);
});
