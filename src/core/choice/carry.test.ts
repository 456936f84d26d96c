import fc from 'fast-check';
import { anyChoices, anyDocument, line, plainDocument, runs } from '../../../tests/support/documents';
import type { Choices, ProposalDocument, Rule } from '@/model';
import { asSuggested } from '@/model';
import { brokenRules, carryChoices, checkChoices, menuOf } from '.';

const offer = (
  names: readonly string[],
  more: { most?: string; rules?: Rule[]; without?: readonly string[]; suggested?: string } = {},
): ProposalDocument =>
  plainDocument(
    [
      {
        id: 's',
        title: 'S',
        entries: [
          ...['lamp', 'fan'].flatMap((id) =>
            more.without?.includes(id)
              ? []
              : [
                  line(id, '1', '58', {
                    extra: { in: false, quantity: { minimum: '0', maximum: more.most ?? '6', step: '2' } },
                  }),
                ],
          ),
          {
            kind: 'question',
            id: 'boards',
            prompt: 'Which boards?',
            suggested: more.suggested ?? names[0]!,
            alternatives: names.map((id) => ({
              id,
              name: id.toUpperCase(),
              lines: [line(`l${id}`, '1', '5')],
            })),
          },
        ],
      },
    ],
    more.rules ? { rules: more.rules } : {},
  );

const picked: Choices = {
  extras: { lamp: { in: true, quantity: '6' }, fan: { in: true } },
  questions: { boards: 'ash' },
};
const first = menuOf(offer(['pine', 'ash']));
const carry = (after: ProposalDocument) => carryChoices(first, picked, menuOf(after));

test('on the same offer everything is kept, also where another is suggested by now', () => {
  expect(carry(offer(['pine', 'ash', 'oak'], { suggested: 'oak' }))).toEqual({ choices: picked, lost: [] });
});

test('what is not offered any more is told by name, and the rest kept', () => {
  const { choices, lost } = carry(offer(['pine', 'oak'], { without: ['fan'] }));
  expect(choices).toEqual({ extras: { lamp: picked.extras.lamp }, questions: {} });
  expect(lost.map(({ about, picked: was }) => [about, was])).toEqual([
    ['Line fan', 'in'],
    ['Which boards?', 'ASH'],
  ]);
});

test('a quantity that is not on offer is lost alone', () => {
  const { choices, lost } = carry(offer(['pine', 'ash'], { most: '4' }));
  expect(choices.extras.lamp).toEqual({ in: true });
  expect(lost).toMatchObject([{ picked: '6', because: expect.stringContaining('from 0 to 4') }]);
});

test('what a new rule does not let stand is taken back with the rule as the reason', () => {
  const rules: Rule[] = [
    {
      id: 'r',
      when: { question: 'boards', alternative: 'ash' },
      says: 'rules out',
      other: { extra: 'fan' },
      reason: 'the beam is lower',
    },
  ];
  const after = offer(['pine', 'ash'], { rules });
  const { choices, lost } = carry(after);
  expect(brokenRules(menuOf(after), choices)).toEqual([]);
  expect(choices.extras.fan).toEqual({ in: true });
  expect(lost).toMatchObject([
    { about: 'Which boards?', because: expect.stringContaining('the beam is lower') },
  ]);
});

test('carried anywhere, choices can be made there, and what is lost and kept are all the picks', () => {
  const anyCase = anyDocument().chain((before) =>
    fc.record({ before: fc.constant(before), choices: anyChoices(before), after: anyDocument() }),
  );
  fc.assert(
    fc.property(anyCase, ({ before, choices, after }) => {
      fc.pre(checkChoices(menuOf(after), asSuggested).length === 0);
      const carried = carryChoices(menuOf(before), choices, menuOf(after));
      expect(checkChoices(menuOf(after), carried.choices)).toEqual([]);
      const count = ({ extras, questions, tiers }: Choices) =>
        [extras, questions, tiers ?? {}].reduce((sum, each) => sum + Object.keys(each).length, 0);
      expect(count(carried.choices) + carried.lost.length).toBeGreaterThanOrEqual(count(choices));
      // Carried once more, nothing more is lost.
      expect(carryChoices(menuOf(after), carried.choices, menuOf(after))).toEqual({
        choices: carried.choices,
        lost: [],
      });
    }),
    { numRuns: runs(200) },
  );
});
