import type {
  Allowance,
  ProposalDocument,
  SelectionAlternative,
  SelectionExtra,
  SelectionQuestion,
  SelectionRound,
} from '@/model';
import { NONE } from '../price/decided';
import { writeFixed } from '../number';
import { parseQuantity } from '../quantity/parseQuantity';
import { findLine } from './find';
import { PartGone } from './partGone';
import { fitting } from '../text/fitting';

/* Edits of money set aside, and of the rounds in which the customer chooses against it. */

/**
 * Sets money aside on a line, changes the terms, or (null) makes it plain work again. A discount of the line's own goes.
 * @throws PartGone where there is no such part
 */
export function setAllowance(document: ProposalDocument, lineId: string, allowance: Allowance | null): void {
  const line = findLine(document, lineId)?.line;
  if (!line) throw new PartGone(lineId);
  if (allowance === null) {
    delete line.allowance;
    return;
  }
  line.allowance = allowance;
  delete line.discount;
  if (line.extra) delete line.extra.quantity;
}

/**
 * Changes one round of a line's allowance.
 * @throws PartGone where there is no such part
 */
export function editRound(
  document: ProposalDocument,
  lineId: string,
  roundId: string,
  change: (round: SelectionRound) => void,
): void {
  const round = findLine(document, lineId)?.line.allowance?.rounds.find(({ id }) => id === roundId);
  if (!round) throw new PartGone(roundId);
  change(round);
}

/** A round with one question of two alternatives, to be filled in. */
export const newRound = (name: string, newId: () => string): SelectionRound => {
  const question = newQuestion(newId);
  return { id: newId(), name, questions: [question], extras: [] };
};

/** A question of two alternatives, to be filled in. */
export function newQuestion(newId: () => string): SelectionQuestion {
  const alternatives = ['First', 'Second'].map((name) => newAlternative(name, newId));
  return { id: newId(), prompt: 'Which one?', alternatives, suggested: alternatives[0]!.id };
}

/** An alternative of a selection round, to be filled in. */
export const newAlternative = (name: string, newId: () => string): SelectionAlternative => ({
  id: newId(),
  name,
  price: '0',
  per: 'unit',
});

/** An extra of a selection round, to be filled in. */
export const newSelectionExtra = (newId: () => string): SelectionExtra => ({
  id: newId(),
  name: 'Extra',
  price: '0',
  per: 'whole',
  in: false,
});

/** What is typed for a thing on offer; an empty name is ignored, an empty detail goes. */
export interface OfferedChange {
  readonly name?: string;
  readonly detail?: string;
  readonly price?: string;
  readonly per?: SelectionAlternative['per'];
  readonly picture?: string | null;
}

/**
 * Changes a thing on offer in a round.
 * @throws FormulaError for a price that is no number
 */
export function setOffered(offered: SelectionAlternative | SelectionExtra, change: OfferedChange): void {
  const { name, detail, price, per, picture } = change;
  if (name !== undefined && name.trim() !== '') offered.name = fitting(name, 200);
  if (detail !== undefined) {
    if (detail.trim() === '') delete offered.detail;
    else offered.detail = fitting(detail, 2000);
  }
  if (price !== undefined) offered.price = writeFixed(parseQuantity(price, 2));
  if (per !== undefined) offered.per = per;
  if (picture === null) delete offered.picture;
  else if (picture !== undefined) offered.picture = picture;
}

/** Takes a question, an alternative or an extra out of a round. The last alternative takes its question with it. */
export function removeFromRound(round: SelectionRound, id: string): void {
  round.extras = round.extras.filter((extra) => extra.id !== id);
  for (const question of round.questions) {
    question.alternatives = question.alternatives.filter((alternative) => alternative.id !== id);
    if (question.suggested === id) question.suggested = question.alternatives[0]?.id ?? NONE;
  }
  round.questions = round.questions.filter(
    (question) => question.id !== id && question.alternatives.length > 0,
  );
}
