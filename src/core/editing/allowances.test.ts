import type { Allowance, ProposalDocument, SelectionRound } from '@/model';
import { line, plainDocument } from '../../../tests/support/documents';
import { counted, edited } from '../../../tests/support/edits';
import { NONE } from '../choice';
import { FormulaError } from '../formula';
import {
  PartGone,
  editRound,
  findLine,
  newAlternative,
  newQuestion,
  newRound,
  newSelectionExtra,
  removeFromRound,
  setAllowance,
  setOffered,
} from '.';

const allowance: Allowance = {
  rule: 'at cost, fee on the excess',
  amount: '9',
  fee: '20',
  shows: 'spend',
  rounds: [],
};
const start = plainDocument([
  {
    id: 's1',
    title: 'Floor',
    entries: [
      line('a', '60', '9', {
        discount: { percent: '5' },
        extra: { in: true, quantity: { minimum: '1', maximum: '80', step: '1' } },
      }),
    ],
  },
]);
const of = (document: ProposalDocument) => findLine(document, 'a')!.line;

/** Money set aside, with a round of two alternatives and an extra. */
function withRound(): ProposalDocument {
  const round = newRound('Paving', counted('r'));
  round.extras.push(newSelectionExtra(counted('x')));
  return edited(start, (d) => setAllowance(d, 'a', { ...allowance, rounds: [round] }));
}
const roundOf = (document: ProposalDocument): SelectionRound => of(document).allowance!.rounds[0]!;
const inRound = (from: ProposalDocument, change: (round: SelectionRound) => void) =>
  edited(from, (d) => editRound(d, 'a', roundOf(from).id, change));

test('money set aside: no discount of the line’s own, no quantity the customer sets; taken back, plain work', () => {
  const { rule } = allowance;
  const set = edited(start, (d) => setAllowance(d, 'a', allowance));
  expect(of(set).allowance).toEqual(allowance);
  expect([of(set).discount, of(set).extra]).toEqual([undefined, { in: true }]);
  const other = edited(set, (d) => setAllowance(d, 'a', { ...allowance, fee: '15' }));
  expect(of(other).allowance).toMatchObject({ rule, fee: '15' });
  expect(of(edited(other, (d) => setAllowance(d, 'a', null))).allowance).toBeUndefined();
  expect(() => edited(start, (d) => setAllowance(d, 'gone', null))).toThrow(PartGone);
});

test('a new round asks one question of two alternatives, the first of them suggested', () => {
  const round = newRound('Paving', counted());
  const [question] = round.questions;
  expect([round.name, round.extras, question!.alternatives.length]).toEqual(['Paving', [], 2]);
  expect(question!.suggested).toBe(question!.alternatives[0]!.id);
  const ids = [round.id, question!.id, ...question!.alternatives.map(({ id }) => id)];
  expect(new Set(ids).size).toBe(4);
});

test('what is offered: name, words, price, measure, picture', () => {
  const picture = '0190a7c4-0000-7000-8000-000000000001';
  const after = inRound(withRound(), ({ questions: [question], extras: [extra] }) => {
    setOffered(question!.alternatives[0]!, {
      ...{ name: ' Slate ', detail: ' Blue, split ', price: '14.25', per: 'unit', picture },
    });
    setOffered(extra!, { name: 'Edging', price: '2*60', per: 'whole' });
  });
  const { questions, extras } = roundOf(after);
  expect(questions[0]!.alternatives[0]).toMatchObject({
    ...{ name: 'Slate', detail: 'Blue, split', price: '14.25', per: 'unit', picture },
  });
  expect(extras[0]).toMatchObject({ name: 'Edging', price: '120', per: 'whole', in: false });

  // No name is no change; no words and no picture take them away.
  const bare = inRound(after, ({ questions: [question] }) =>
    setOffered(question!.alternatives[0]!, { name: ' ', detail: '', picture: null }),
  );
  const slate = roundOf(bare).questions[0]!.alternatives[0]!;
  expect([slate.name, slate.detail, slate.picture, slate.price]).toEqual([
    ...['Slate', undefined, undefined, '14.25'],
  ]);
  expect(() => setOffered(newAlternative('x', counted()), { price: 'cheap' })).toThrow(FormulaError);
});

test('taken out: an extra, an alternative, and with the last one its question', () => {
  const from = withRound();
  const { questions, extras } = roundOf(from);
  const [first, second] = questions[0]!.alternatives;
  expect(roundOf(inRound(from, (round) => removeFromRound(round, extras[0]!.id))).extras).toEqual([]);

  // The suggested one goes: the next is suggested.
  const one = inRound(from, (round) => removeFromRound(round, first!.id));
  expect(roundOf(one).questions[0]).toMatchObject({ suggested: second!.id, alternatives: [second] });
  const none = inRound(one, (round) => removeFromRound(round, second!.id));
  expect(roundOf(none).questions).toEqual([]);

  const whole = inRound(from, (round) => removeFromRound(round, questions[0]!.id));
  expect(roundOf(whole).questions).toEqual([]);
});

test('“none of them” stays suggested where it was', () => {
  const question = { ...newQuestion(counted()), suggested: NONE };
  const round: SelectionRound = { id: 'r', name: 'Lamps', questions: [question], extras: [] };
  removeFromRound(round, question.alternatives[0]!.id);
  expect(round.questions[0]!.suggested).toBe(NONE);
});

test('a round that is gone meanwhile is said so', () => {
  expect(() => edited(withRound(), (d) => editRound(d, 'a', 'gone', () => {}))).toThrow(PartGone);
  expect(() => edited(start, (d) => editRound(d, 'a', 'r1', () => {}))).toThrow(PartGone);
});
