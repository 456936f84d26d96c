import fc from 'fast-check';
import { anyChoices, anyDocument, line, plainDocument } from '../../../tests/support/documents';
import { asSuggested } from '@/model';
import { parseFixed, sumAmounts } from '../number';
import { computeFigures } from '../price';
import { computeSchedule } from '../schedule';
import { freezeAgreement } from './';

const anyCase = anyDocument().chain((document) =>
  anyChoices(document).map((choices) => ({ document, choices })),
);

test('what is frozen is what was shown: lines, taxes by component and payments sum to the total', () => {
  fc.assert(
    fc.property(anyCase, ({ document, choices }) => {
      const figures = computeFigures(document, choices);
      const frozen = freezeAgreement(document, choices);
      expect(frozen.total).toBe(figures.total);
      expect(frozen.net + frozen.tax).toBe(frozen.total);
      expect(sumAmounts(frozen.lines.map(({ net }) => net))).toBe(frozen.net);
      frozen.components.forEach((component, i) => {
        expect(sumAmounts(frozen.lines.map(({ taxes }) => taxes[i]!))).toBe(component.amount);
        // A line is taxed by the components of its class only.
        for (const { taxClass, taxes } of frozen.lines)
          if (taxClass !== component.taxClass) expect(taxes[i]).toBe(0n);
      });
      expect(sumAmounts(frozen.payments.map(({ amount }) => amount))).toBe(frozen.total);
      const scheduled = computeSchedule(document.schedule, figures.total, 2).payments;
      expect(frozen.payments.map(({ id, amount }) => [id, amount])).toEqual(
        scheduled.map(({ entry, amount }) => [entry.id, amount]),
      );
    }),
  );
});

test('only what the choices take in is agreed, at the chosen quantity, in the order of the proposal', () => {
  const document = plainDocument(
    [
      {
        id: 's1',
        title: 'Deck',
        entries: [
          line('frame', '1', '100', { costCode: '06' }),
          line('bench', '1', '40', { extra: { in: true } }),
          {
            kind: 'question',
            id: 'q',
            prompt: 'Which?',
            suggested: 'pine',
            alternatives: [
              { id: 'pine', name: 'Pine', lines: [line('pine-boards', '10', '5')] },
              { id: 'ash', name: 'Ash', lines: [line('ash-boards', '10', '9')] },
            ],
          },
        ],
      },
      {
        id: 's2',
        title: 'Light',
        entries: [
          line('lamp', '2', '30', {
            extra: { in: false, quantity: { minimum: '0', maximum: '6', step: '1' } },
          }),
        ],
      },
    ],
    { fees: [{ id: 'permit', name: 'Permit', amount: { fixed: '25' }, taxClass: 'taxed' }] },
  );
  const frozen = freezeAgreement(document, {
    extras: { bench: { in: false }, lamp: { in: true, quantity: '3' } },
    questions: { q: 'ash' },
  });
  expect(frozen.lines.map(({ id, sectionTitle, net, cost }) => [id, sectionTitle, net, cost])).toEqual([
    ['frame', 'Deck', 10000n, 10000n],
    ['ash-boards', 'Deck', 9000n, 9000n],
    ['lamp', 'Light', 9000n, 9000n],
    ['permit', 'Fees', 2500n, 0n],
  ]);
  expect(frozen.lines.map(({ costCode }) => costCode)).toEqual(['06', null, null, null]);
  expect(freezeAgreement(document, asSuggested).lines.map(({ id }) => id)).toEqual([
    'frame',
    'bench',
    'pine-boards',
    'permit',
  ]);
});

test('a discount is frozen line by line, and a credit line takes tax with its own sign', () => {
  const document = plainDocument(
    [{ id: 's', title: 'S', entries: [line('a', '1', '300'), line('b', '1', '100'), line('c', '-1', '80')] }],
    {
      discount: { amount: '40' },
      taxClasses: [{ id: 'taxed', name: 'Taxed', components: [{ id: 'vat', name: 'Tax', percent: '10' }] }],
    },
  );
  const { lines, total } = freezeAgreement(document, asSuggested);
  expect(lines.map(({ net }) => net)).toEqual([27000n, 9000n, -8000n]);
  expect(lines.map(({ taxes }) => taxes[0])).toEqual([2700n, 900n, -800n]);
  expect(total).toBe(30800n);
});

test('the cost of a line is frozen by cost type too, and the types sum to it', () => {
  const document = plainDocument([
    {
      id: 's',
      title: 'S',
      entries: [
        line('a', '3', '1', {
          costs: [
            { type: 'material', amount: '3.333' },
            { type: 'labour', hours: '0.25', rate: '41.37' },
          ],
        }),
        line('free', '2', '0'),
      ],
    },
  ]);
  const [a, free] = freezeAgreement(document, asSuggested).lines;
  // 3 × 3.333 = 9.999 and 3 × 0.25 × 41.37 = 31.0275: together 41.03
  expect(a!.costs).toEqual({ material: 1000n, labour: 3103n });
  expect(a!.cost).toBe(4103n);
  expect(free!.costs).toEqual({});
});

test('every agreed line keeps the stage it is done in: its own phase, else its section’s, else none', () => {
  const document = plainDocument([
    {
      id: 's1',
      title: 'Deck',
      phase: 'Frame',
      entries: [line('beam', '1', '100'), line('rail', '1', '50', { phase: 'Finish' })],
    },
    { id: 's2', title: 'Garden', entries: [line('path', '1', '30')] },
  ]);
  const frozen = freezeAgreement(document, asSuggested);
  expect(frozen.lines.map(({ id, stage }) => [id, stage])).toEqual([
    ['beam', 'Frame'],
    ['rail', 'Finish'],
    ['path', null],
  ]);
  expect(frozen.stages.map(({ name }) => name)).toEqual(expect.arrayContaining(['Frame', 'Finish']));
});

test('the unit price of a fee is the fee; of what holds the tax, its net by the unit', () => {
  const document = plainDocument([{ id: 's1', title: 'Deck', entries: [line('l1', '4', '10')] }], {
    tax: { inside: true },
    taxClasses: [{ id: 'taxed', name: 'Taxed', components: [{ id: 'state', name: 'State', percent: '25' }] }],
    fees: [{ id: 'f1', name: 'Permit', amount: { fixed: '50' }, taxClass: 'taxed' }],
  });
  const { lines } = freezeAgreement(document, asSuggested);
  // 4 at 12.50 with the tax in it: 40.00 net, 10.00 each. The permit: 50.00 with it, 40.00 without.
  expect(lines.map(({ net, unitPrice }) => [net, unitPrice])).toEqual([
    [4000n, parseFixed('10')],
    [4000n, parseFixed('40')],
  ]);
});
