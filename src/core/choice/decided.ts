import type { Bundle, Choices, Extra, Line, Question, Section } from '@/model';
import { parseFixed } from '../number';

/** A choice that cannot be taken, with a sentence for the person who chose. */
export interface ChoiceProblem {
  readonly id: string;
  readonly message: string;
}

/** Is the extra in? Lines and bundles that are no extra always are. */
export function isIn(line: Pick<Line | Bundle, 'id' | 'extra'>, choices: Choices): boolean {
  return line.extra ? (choices.extras[line.id]?.in ?? line.extra.in) : true;
}

/**
 * The quantity that counts for a line: the customer's where they may set one, else the offered one.
 * @param offered what the line's formula comes to, where it has one
 */
export function decidedQuantity(line: Line, choices: Choices, offered: string = line.quantity): string {
  return (line.extra?.quantity && choices.extras[line.id]?.quantity) ?? offered;
}

/** The id of the alternative that stands; an unknown one falls back to the suggestion. */
export function decidedAlternative(question: Question, choices: Choices): string {
  const picked = choices.questions[question.id];
  const exists = (id: string | undefined) =>
    question.alternatives.some((alternative) => alternative.id === id);
  if (picked !== undefined && exists(picked)) return picked;
  return exists(question.suggested) ? question.suggested : question.alternatives[0]!.id;
}

/** All lines of a section in order, those inside alternatives and those added to bundles included. */
export function* linesOf(section: Section): Generator<Line> {
  for (const entry of section.entries) {
    if (entry.kind === 'line') yield entry;
    else if (entry.kind === 'bundle') yield* entry.added;
    else for (const alternative of entry.alternatives) yield* alternative.lines;
  }
}

/** The bundles of a section in order. */
export function* bundlesOf(section: Section): Generator<Bundle> {
  for (const entry of section.entries) if (entry.kind === 'bundle') yield entry;
}

/** What of a section the customer may take in or leave out: lines (inside alternatives too) and bundles. */
export function* extrasOf(section: Section): Generator<{ readonly id: string; readonly extra: Extra }> {
  for (const entry of section.entries) {
    if (entry.kind === 'question') {
      for (const { lines } of entry.alternatives)
        for (const { id, extra } of lines) if (extra) yield { id, extra };
    } else if (entry.extra) yield { id: entry.id, extra: entry.extra };
  }
}

/** Is a quantity within the limits of an extra, and on one of its steps? */
export function fits(quantity: string, limits: NonNullable<Extra['quantity']>): boolean {
  const wanted = parseFixed(quantity);
  const least = parseFixed(limits.minimum);
  const step = parseFixed(limits.step);
  return (
    wanted >= least && wanted <= parseFixed(limits.maximum) && (step <= 0n || (wanted - least) % step === 0n)
  );
}

/** Checks that choices can be made on this proposal: known ids, quantities within their limits and on their steps. */
export function checkChoices(sections: readonly Section[], choices: Choices): ChoiceProblem[] {
  const problems: ChoiceProblem[] = [];
  const extras = new Map<string, Extra>();
  const questions = new Map<string, Question>();
  for (const section of sections) {
    for (const { id, extra } of extrasOf(section)) extras.set(id, extra);
    for (const entry of section.entries) if (entry.kind === 'question') questions.set(entry.id, entry);
  }
  for (const [id, decision] of Object.entries(choices.extras)) {
    const extra = extras.get(id);
    if (!extra) {
      problems.push({ id, message: 'This is not something you can leave out or take in.' });
    } else if (decision.quantity !== undefined) {
      if (!extra.quantity) problems.push({ id, message: 'The quantity of this extra is fixed.' });
      else {
        if (!fits(decision.quantity, extra.quantity))
          problems.push({
            id,
            message: `The quantity goes from ${extra.quantity.minimum} to ${extra.quantity.maximum} in steps of ${extra.quantity.step}.`,
          });
      }
    }
  }
  for (const [id, picked] of Object.entries(choices.questions)) {
    const question = questions.get(id);
    if (!question?.alternatives.some((alternative) => alternative.id === picked))
      problems.push({ id, message: 'This alternative is not offered.' });
  }
  return problems;
}
