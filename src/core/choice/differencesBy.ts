import type { Choices, Menu } from '@/model';
import type { Amount } from '../number';
import { allHold, answersOf } from './answers';

/** The same choices with an extra in or out. */
export function withExtra(choices: Choices, id: string, taken: boolean, quantity?: string): Choices {
  const before = choices.extras[id];
  const kept = quantity ?? before?.quantity;
  return {
    ...choices,
    extras: {
      ...choices.extras,
      [id]: kept === undefined ? { in: taken } : { in: taken, quantity: kept },
    },
  };
}

/** The same choices with another alternative picked. */
export function withAlternative(choices: Choices, questionId: string, alternativeId: string): Choices {
  return { ...choices, questions: { ...choices.questions, [questionId]: alternativeId } };
}

/** The same choices with another level picked. */
export function withLevel(choices: Choices, levelsId: string, levelId: string): Choices {
  return { ...choices, tiers: { ...choices.tiers, [levelsId]: levelId } };
}

export interface ExtraDifference {
  /** A line, a bundle or a section. */
  readonly lineId: string;
  readonly in: boolean;
  /** Total with it less total without it, tax, discounts and percent fees included. */
  readonly difference: Amount;
}

export interface AlternativeDifference {
  readonly questionId: string;
  readonly alternativeId: string;
  readonly picked: boolean;
  /** Total with it less total now: picking it changes the total by exactly this. */
  readonly difference: Amount;
}

export interface LevelDifference {
  readonly levelsId: string;
  readonly levelId: string;
  readonly picked: boolean;
  /** Total with it less total now: picking it changes the total by exactly this. */
  readonly difference: Amount;
}

export interface Differences {
  readonly extras: readonly ExtraDifference[];
  readonly alternatives: readonly AlternativeDifference[];
  readonly levels: readonly LevelDifference[];
}

/**
 * What each decision would change, each by computing the total afresh. What is not on offer as things stand (an extra
 * inside an alternative that is not picked, a question of a section that is out) makes no difference now and is left out.
 *
 * @param totalWith the total under other choices
 */
export function differencesBy(
  menu: Menu,
  choices: Choices,
  totalWith: (choices: Choices) => Amount,
): Differences {
  const answers = answersOf(menu, choices);
  const now = totalWith(choices);
  const less = (other: Choices) => (totalWith(other) - now) as Amount;
  const nothing = 0n as Amount;
  return {
    extras: menu.extras
      .filter(({ when }) => allHold(when, answers))
      .map(({ id }): ExtraDifference => {
        const taken = answers.extra(id);
        const change = less(withExtra(choices, id, !taken));
        return { lineId: id, in: taken, difference: (taken ? -change : change) as Amount };
      }),
    alternatives: menu.questions
      .filter(({ when }) => allHold(when, answers))
      .flatMap(({ id, answers: all }) =>
        all.map((answer): AlternativeDifference => {
          const picked = answers.question(id) === answer.id;
          const difference = picked ? nothing : less(withAlternative(choices, id, answer.id));
          return { questionId: id, alternativeId: answer.id, picked, difference };
        }),
      ),
    levels: menu.tiers.flatMap(({ id, levels }) =>
      levels.map((level): LevelDifference => {
        const picked = answers.tiers(id) === level.id;
        const difference = picked ? nothing : less(withLevel(choices, id, level.id));
        return { levelsId: id, levelId: level.id, picked, difference };
      }),
    ),
  };
}
