import fc from 'fast-check';
import { anyChoices, anyDocument, line, plainDocument, runs } from '../../../tests/support/documents';
import { asSuggested } from '@/model';
import { computeFigures } from '../price';
import { checkChoices, differences, withAlternative, withExtra } from '.';

const anyCase = anyDocument().chain((document) =>
  anyChoices(document).map((choices) => ({ document, choices })),
);

test('the shown difference is the real difference, for every extra and every alternative', () => {
  fc.assert(
    fc.property(anyCase, ({ document, choices }) => {
      const now = computeFigures(document, choices).total;
      const shown = differences(document, choices);
      for (const extra of shown.extras) {
        const other = computeFigures(
          structuredClone(document),
          withExtra(choices, extra.lineId, !extra.in),
        ).total;
        expect(extra.in ? now - other : other - now).toBe(extra.difference);
      }
      for (const alternative of shown.alternatives) {
        const other = withAlternative(choices, alternative.questionId, alternative.alternativeId);
        expect(computeFigures(structuredClone(document), other).total - now).toBe(alternative.difference);
      }
    }),
    { numRuns: runs(200) },
  );
});

test('choices drawn from what is offered are accepted', () => {
  fc.assert(
    fc.property(anyCase, ({ document, choices }) => checkChoices(document.sections, choices).length === 0),
  );
});

describe('decisions', () => {
  const document = plainDocument([
    {
      id: 's',
      title: 'S',
      entries: [
        line('base', '1', '100'),
        line('light', '2', '58', {
          extra: { in: false, quantity: { minimum: '0', maximum: '6', step: '2' } },
        }),
        {
          kind: 'question',
          id: 'boards',
          prompt: 'Which boards?',
          suggested: 'pine',
          alternatives: [
            { id: 'pine', name: 'Pine', lines: [line('p', '10', '5')] },
            {
              id: 'ash',
              name: 'Ash',
              lines: [line('a', '10', '9'), line('oil', '1', '20', { extra: { in: true } })],
            },
          ],
        },
      ],
    },
  ]);

  test('as suggested, taken in, another quantity, another alternative with an extra of its own', () => {
    const total = (choices = asSuggested) => computeFigures(document, choices).total;
    expect(total()).toBe(15000n);
    expect(total(withExtra(asSuggested, 'light', true))).toBe(26600n);
    expect(total(withExtra(asSuggested, 'light', true, '4'))).toBe(38200n);
    expect(total(withAlternative(asSuggested, 'boards', 'ash'))).toBe(21000n);
    expect(total(withExtra(withAlternative(asSuggested, 'boards', 'ash'), 'oil', false))).toBe(19000n);
  });

  test.each([
    [{ extras: { light: { in: true, quantity: '3' } }, questions: {} }, 'from 0 to 6 in steps of 2'],
    [{ extras: { light: { in: true, quantity: '8' } }, questions: {} }, 'from 0 to 6'],
    [{ extras: { base: { in: false } }, questions: {} }, 'not something you can leave out'],
    [{ extras: {}, questions: { boards: 'gold' } }, 'not offered'],
    [{ extras: {}, questions: { nothing: 'pine' } }, 'not offered'],
  ])('%j is refused in words', (choices, words) => {
    expect(checkChoices(document.sections, choices)[0]?.message).toContain(words);
  });
});
