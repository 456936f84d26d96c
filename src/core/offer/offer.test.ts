import { Decimal } from 'decimal.js';
import fc from 'fast-check';
import type { CustomerView, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { anyChoices, anyDocument, line, plainDocument, runs } from '../../../tests/support/documents';
import { parseAmount, sumAmounts } from '../number';
import { computeFigures } from '../price';
import { reckonOffer, viewOf } from '../customerView';
import { checkDocument, compareViews, customerView, offerOf } from '.';

const anyCase = anyDocument().chain((document) =>
  anyChoices(document).map((choices) => ({ document, choices })),
);
const money = (text: string | null) => parseAmount(text ?? '0', 2);

function entryAmounts(section: CustomerView['sections'][number]) {
  return section.entries.flatMap((entry) => {
    if (entry.kind === 'question') {
      const picked = entry.alternatives.find((alternative) => alternative.picked);
      return picked ? [{ id: entry.id, amount: money(picked.amount) }] : [];
    }
    return [{ id: entry.id, amount: money(entry.amount) }];
  });
}

test('in the browser: the same view from what is served alone, wherever it can be worked out', () => {
  let live = 0;
  fc.assert(
    fc.property(anyCase, ({ document, choices }) => {
      const served = JSON.parse(JSON.stringify(offerOf(document))) as ReturnType<typeof offerOf>;
      if (!served.live) return;
      live += 1;
      const look = { choices, reckon: (other: typeof choices) => reckonOffer(served, other), today: null };
      expect(viewOf(served, look)).toEqual(customerView(document, choices));
    }),
    { numRuns: runs(300) },
  );
  expect(live).toBeGreaterThan(0);
});

describe('what the customer may see', () => {
  test('adds up: sections less discount, fees and tax make the total; payments make the total', () => {
    fc.assert(
      fc.property(anyCase, ({ document, choices }) => {
        const view = customerView(document, choices);
        expect(money(view.total)).toBe(computeFigures(document, choices).total);
        expect(sumAmounts(view.payments.map(({ amount }) => money(amount)))).toBe(money(view.total));
        if (view.shows === 'total') return;
        const sections = sumAmounts(view.sections.map(({ amount }) => money(amount)));
        const fees = sumAmounts(view.fees.map(({ amount }) => money(amount)));
        const onTop = view.taxInside ? 0n : money(view.taxTotal);
        expect(sections - money(view.discount) + fees + onTop).toBe(money(view.total));
        if (view.shows === 'sections') return;
        for (const entry of view.sections.flatMap(({ entries }) => entries))
          if (entry.kind !== 'question' && entry.unitPrice !== null && entry.amount !== null) {
            const exact = new Decimal(entry.quantity!).times(entry.unitPrice);
            expect(
              exact
                .toDecimalPlaces(2, Decimal.ROUND_HALF_UP)
                .minus(entry.discount ?? 0)
                .toFixed(2),
            ).toBe(entry.amount);
          }
        for (const section of view.sections) {
          const inQuestions = new Set(
            document.sections.flatMap(({ entries }) =>
              entries.flatMap((e) =>
                e.kind === 'question' ? e.alternatives.flatMap((a) => a.lines.map(({ id }) => id)) : [],
              ),
            ),
          );
          const shown = entryAmounts(section).filter(({ id }) => !inQuestions.has(id));
          expect(sumAmounts(shown.map(({ amount }) => amount)) - money(section.discount)).toBe(
            money(section.amount),
          );
        }
      }),
      { numRuns: runs(200) },
    );
  });

  test('a plan: shown on request, its names in formulas never; what it says differently is a change', () => {
    const of = (side: number, shown = true) =>
      customerView(
        plainDocument([{ id: 's', title: 'S', entries: [] }], {
          plans: [
            {
              id: 'p',
              name: 'Yard',
              file: '018f0000-0000-7000-8000-000000000001',
              width: 4000,
              height: 4000,
              scale: { from: [0, 0], to: [100, 0], length: { value: '1' } },
              traced: [
                {
                  id: 't',
                  name: 'secret_name',
                  label: 'Lawn',
                  kind: 'area',
                  figures: [
                    {
                      points: [
                        [0, 0],
                        [side, 0],
                        [side, 1000],
                        [0, 1000],
                      ],
                    },
                  ],
                },
              ],
              ...(shown ? { shown: true } : {}),
            },
          ],
        }),
        asSuggested,
      );
    expect(JSON.stringify(of(1200))).not.toContain('secret_name');
    expect(of(1200, false).plans).toEqual([]);
    expect(compareViews(of(1200), of(1200))).toEqual([]);
    expect(compareViews(of(1200), of(1500))).toEqual([
      { what: 'Plan Yard', before: 'Lawn 120 sq ft', after: 'Lawn 150 sq ft' },
    ]);
    expect(compareViews(of(1200), of(1200, false))).toEqual([
      { what: 'Plan Yard', before: 'Lawn 120 sq ft', after: null },
    ]);
  });

  test('never holds a cost, a load, a code or a note of ours, whatever is shown', () => {
    const document = plainDocument(
      [
        {
          id: 's',
          title: 'Deck',
          internalNote: 'SECRET section',
          entries: [
            line('a', '3', '417.77', {
              internalNote: 'SECRET dog',
              code: 'SECRET-1',
              costCode: 'SECRET-2',
              extra: { in: true },
            }),
          ],
        },
      ],
      {
        internalNote: 'SECRET whole',
        loads: [{ id: 'SECRET-p', name: 'SECRET profit', kind: 'profit', percent: '31.27', base: 'direct' }],
      },
    );
    for (const shows of ['total', 'sections', 'lines', 'prices'] as const) {
      const shown = { ...document, shows };
      // Neither what is seen nor what the browser holds to work it out.
      for (const served of [customerView(shown, asSuggested), offerOf(shown)])
        expect(JSON.stringify(served)).not.toMatch(/SECRET|417\.77|1253\.31|31\.27|cost|margin|markup/i);
    }
  });
});

describe('what changed between two revisions', () => {
  const before = plainDocument([
    { id: 's', title: 'Deck', entries: [line('a', '3', '10'), line('b', '1', '5')] },
  ]);
  test('nothing, when only our side changed', () => {
    const ours = { ...before, internalNote: 'call back' };
    expect(compareViews(customerView(before, asSuggested), customerView(ours, asSuggested))).toEqual([]);
  });
  test('names the total, what came, what went and what moved', () => {
    const after = plainDocument([
      { id: 's', title: 'Deck', entries: [line('a', '4', '10'), line('c', '1', '7')] },
    ]);
    const changes = compareViews(customerView(before, asSuggested), customerView(after, asSuggested));
    expect(changes[0]).toEqual({ what: 'Total', before: '35.00', after: '47.00' });
    expect(changes.map(({ what }) => what)).toEqual(
      expect.arrayContaining(['Line a', 'Line b', 'Line c', 'Payment: On completion']),
    );
    expect(changes.find(({ what }) => what === 'Line b')?.after).toBeNull();
  });
  test('says what is asked, offered and due in words and figures as the customer reads them', () => {
    const offer = (ash: string, days: number) =>
      plainDocument(
        [
          {
            id: 's',
            title: 'Deck',
            entries: [
              line('x', '2', '600', { extra: { in: false } }),
              {
                kind: 'question' as const,
                id: 'q',
                prompt: 'Which boards?',
                suggested: 'pine',
                alternatives: [
                  { id: 'pine', name: 'Pine', lines: [line('p', '1', '100')] },
                  { id: 'ash', name: 'Ash', lines: [line('a', '1', ash)] },
                ],
              },
            ],
          },
        ],
        {
          schedule: [
            { id: 'all', name: 'All', kind: 'final', share: { rest: true }, due: { on: 'days', days } },
          ],
        },
      );
    const seen = (document: ProposalDocument) => customerView(document, asSuggested);
    expect(compareViews(seen(offer('1350.5', 14)), seen(offer('90', 1)))).toEqual([
      { what: 'Which boards? Ash', before: '+1,250.50', after: '−10.00' },
      { what: 'Payment: All, due', before: '14 days after you sign', after: '1 day after you sign' },
    ]);
  });
});

describe('checking a document', () => {
  const good = plainDocument([{ id: 's', title: 'Deck', entries: [line('a', '3', '10')] }]);
  test('a good one has no problem', () => expect(checkDocument(good)).toEqual([]));
  test.each([
    [
      'twice the same id',
      plainDocument([{ id: 's', title: 'D', entries: [line('a', '1', '1'), line('a', '1', '1')] }]),
      'wrong',
      'identity',
    ],
    [
      'a missing tax class',
      plainDocument([{ id: 's', title: 'D', entries: [line('a', '1', '1', { taxClass: 'x' })] }]),
      'wrong',
      'tax class',
    ],
    [
      'limits the wrong way round',
      plainDocument([
        {
          id: 's',
          title: 'D',
          entries: [
            line('a', '1', '1', { extra: { in: true, quantity: { minimum: '5', maximum: '2', step: '1' } } }),
          ],
        },
      ]),
      'wrong',
      'smallest',
    ],
    [
      'an offered quantity the customer could not set',
      plainDocument([
        {
          id: 's',
          title: 'D',
          entries: [
            line('a', '7', '1', { extra: { in: true, quantity: { minimum: '2', maximum: '8', step: '2' } } }),
          ],
        },
      ]),
      'open',
      'steps of 2',
    ],
    ['a discount in tenths of a cent', { ...good, discount: { amount: '1.005' } }, 'wrong', '2 decimals'],
    ['a discount of more than everything', { ...good, discount: { percent: '101' } }, 'wrong', '100 %'],
    [
      'a fee in cents of a currency without any',
      {
        ...good,
        currency: 'JPY',
        fees: [{ id: 'f', name: 'Permit', amount: { fixed: '10.5' }, taxClass: good.taxClasses[0]!.id }],
      },
      'wrong',
      '0 decimals',
    ],
    [
      'one tax class twice',
      { ...good, taxClasses: [good.taxClasses[0]!, good.taxClasses[0]!] },
      'wrong',
      'same identity',
    ],
    ['no lines', plainDocument([]), 'open', 'no lines'],
    [
      'a quantity not confirmed',
      plainDocument([{ id: 's', title: 'D', entries: [line('a', '1', '1', { quantityOpen: true })] }]),
      'look',
      'not confirmed',
    ],
    [
      'a schedule that does not work out',
      {
        ...good,
        schedule: [
          {
            id: 'x',
            name: 'x',
            kind: 'final' as const,
            share: { percent: '80' },
            due: { on: 'acceptance' as const },
          },
        ],
      },
      'open',
      'do not make 100',
    ],
  ])('%s', (_, document, weight, words) => {
    const found = checkDocument(document).find((problem) => problem.message.includes(words));
    expect(found?.weight).toBe(weight);
  });
});
