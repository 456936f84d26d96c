import fc from 'fast-check';
import { anyChoices, anyDocument, line, plainDocument, runs } from '../../../tests/support/documents';
import { asSuggested } from '@/model';
import { computeFigures } from '../price';
import { checkChoices, differences, hindrance, menuOf, withAlternative, withExtra, withLevel } from '.';

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
      for (const level of shown.levels) {
        const other = withLevel(choices, level.levelsId, level.levelId);
        expect(computeFigures(structuredClone(document), other).total - now).toBe(level.difference);
      }
      for (const alternative of shown.alternatives) {
        const other = withAlternative(choices, alternative.questionId, alternative.alternativeId);
        expect(computeFigures(structuredClone(document), other).total - now).toBe(alternative.difference);
      }
    }),
    // PROPERTY_RUNS=10000 for the long soak.
    { numRuns: runs(200) },
  );
});

test('choices drawn from what is offered are accepted', () => {
  fc.assert(
    fc.property(anyCase, ({ document, choices }) => checkChoices(menuOf(document), choices).length === 0),
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
    expect(checkChoices(menuOf(document), choices)[0]?.message).toContain(words);
  });
});

describe('rules between choices, and days until which they can be made', () => {
  const extra = (id: string, more = {}) =>
    line(id, '1', '10', { description: id, extra: { in: false, ...more } });
  const document = plainDocument(
    [
      {
        id: 's',
        title: 'S',
        entries: [
          extra('Heated floor'),
          extra('New panel'),
          extra('Skylight', { until: '2026-05-12' }),
          {
            kind: 'question',
            id: 'q',
            prompt: 'Which roof?',
            suggested: 'shed',
            none: { name: 'No roof' },
            alternatives: [
              { id: 'shed', name: 'Shed roof', lines: [line('a', '1', '10')] },
              { id: 'flat', name: 'Flat roof', lines: [line('b', '1', '10')] },
            ],
          },
        ],
      },
    ],
    {
      rules: [
        {
          id: 'r1',
          when: { extra: 'Heated floor' },
          says: 'needs',
          other: { extra: 'New panel' },
          reason: 'the old panel is full.',
        },
        {
          id: 'r2',
          when: { question: 'q', alternative: 'flat' },
          says: 'rules out',
          other: { extra: 'Skylight' },
        },
      ],
    },
  );
  const menu = menuOf(document);
  const needs = '“Heated floor” needs “New panel”: the old panel is full.';

  test('what needs another cannot be taken without it, nor the other left out after', () => {
    const heated = withExtra(asSuggested, 'Heated floor', true);
    expect(hindrance(menu, asSuggested, heated)).toBe(needs);
    expect(checkChoices(menu, heated).map(({ message }) => message)).toEqual([needs]);
    const both = withExtra(heated, 'New panel', true);
    expect(checkChoices(menu, both)).toEqual([]);
    expect(hindrance(menu, both, withExtra(both, 'New panel', false))).toBe(needs);
    // A way out of what is broken already stays open.
    expect(hindrance(menu, heated, withExtra(heated, 'Skylight', true))).toBeNull();
  });
  test('what is ruled out, either way round', () => {
    const flat = withAlternative(asSuggested, 'q', 'flat');
    const words = '“Flat roof” does not go with “Skylight”.';
    expect(hindrance(menu, flat, withExtra(flat, 'Skylight', true))).toBe(words);
    const light = withExtra(asSuggested, 'Skylight', true);
    expect(hindrance(menu, light, withAlternative(light, 'q', 'flat'))).toBe(words);
  });
  test('after its day a decision stays as it is; the others can be changed still', () => {
    const since = (today: string) => ({ before: asSuggested, today });
    const light = withExtra(asSuggested, 'Skylight', true);
    expect(checkChoices(menu, light, since('2026-05-12'))).toEqual([]);
    expect(checkChoices(menu, light, since('2026-05-13'))[0]?.message).toMatch(
      /“Skylight”: This could be decided until/,
    );
    expect(checkChoices(menu, withExtra(asSuggested, 'New panel', true), since('2026-05-13'))).toEqual([]);
  });
  test('none of them, where that is allowed', () => {
    expect(checkChoices(menu, withAlternative(asSuggested, 'q', 'none'))).toEqual([]);
    expect(computeFigures(document, withAlternative(asSuggested, 'q', 'none')).total).toBe(0n);
  });
});

test('levels that are not offered, of questions that are not asked, are refused', () => {
  const document = plainDocument([{ id: 's1', title: 'Deck', entries: [line('l1', '1', '10')] }], {
    tiers: [
      {
        id: 'how',
        prompt: 'How?',
        suggested: 'plain',
        levels: [
          { id: 'plain', name: 'Plain', without: [], grades: {} },
          { id: 'full', name: 'Full', without: ['l1'], grades: {} },
        ],
      },
    ],
  });
  const menu = menuOf(document);
  const picked = (tiers: Record<string, string>) => checkChoices(menu, { ...asSuggested, tiers });
  expect(picked({ how: 'full' })).toEqual([]);
  expect(picked({ how: 'golden' })).toEqual([{ id: 'how', message: 'This level is not offered.' }]);
  expect(picked({ other: 'plain' })).toEqual([{ id: 'other', message: 'This level is not offered.' }]);
});
