import type { Choices, Menu, Picked, Rule, Test } from '@/model';
import { indexOf } from '../choice';
import type { Decision, Levels, Option, Tree } from './tree';
import { IN, OUT } from './tree';

/** What is decided so far: by the id of the extra or question, the value of the option. */
export type Decided = ReadonlyMap<string, string>;

/** A search for the best combination by an exact measure. */
export interface Aim {
  /** The best a set of decided options and open decisions can come to; never worse than the truth. */
  readonly bound: (taken: readonly Taken[], open: readonly Decision[]) => number;
  /** The exact measure of a whole combination, to be as large as possible; null where it has none. */
  readonly measure: (choices: Choices) => bigint | null;
}

export interface Taken {
  readonly decision: Decision;
  readonly option: Option;
}

export interface Found {
  readonly value: bigint;
  readonly choices: Choices;
}

/** How many combinations were weighed, and how many may be. */
export interface Budget {
  left: number;
}

/** The combination as choices; what was not on offer stands as suggested. */
export function choicesOf(taken: readonly Taken[], levels: Levels): Choices {
  const extras: Choices['extras'] = {};
  const questions: Choices['questions'] = {};
  for (const { decision, option } of taken) {
    if (decision.kind === 'question') questions[decision.id] = option.value;
    else if (option.value === OUT) extras[decision.id] = { in: false };
    else extras[decision.id] = option.value === IN ? { in: true } : { in: true, quantity: option.value };
  }
  return { extras, questions, ...(levels.size > 0 ? { tiers: Object.fromEntries(levels) } : {}) };
}

/** Does a test hold, as far as it is decided? Null while that is open. */
function holdsSoFar(test: Test, decided: Decided, levels: Levels): boolean | null {
  if ('tiers' in test) return test.among.includes(levels.get(test.tiers) ?? '');
  const value = decided.get('extra' in test ? test.extra : test.question);
  if (value === undefined) return null;
  return 'extra' in test ? value !== OUT : value === test.answer;
}

const allOf = (parts: readonly (boolean | null)[]): boolean | null =>
  parts.includes(false) ? false : parts.includes(null) ? null : true;

function takenSoFar(pick: Picked, menu: Menu, decided: Decided, levels: Levels): boolean | null {
  if ('tiers' in pick) return levels.get(pick.tiers) === pick.level;
  const { extras, questions } = indexOf(menu);
  const offered = 'extra' in pick ? extras.get(pick.extra) : questions.get(pick.question);
  if (!offered) return false;
  const own: Test =
    'extra' in pick ? { extra: pick.extra } : { question: pick.question, answer: pick.alternative };
  return allOf([...offered.when, own].map((test) => holdsSoFar(test, decided, levels)));
}

/** Is a rule broken whatever else is decided? */
function brokenSoFar({ when, says, other }: Rule, menu: Menu, decided: Decided, levels: Levels): boolean {
  if (takenSoFar(when, menu, decided, levels) !== true) return false;
  const second = takenSoFar(other, menu, decided, levels);
  return second !== null && second !== (says === 'needs');
}

/**
 * Looks through a tree for the combination with the largest exact measure: decisions that rules speak of first, the most
 * promising option first, and nothing that cannot beat what is found already.
 *
 * @param bound ids that rules speak of
 * @param best the best combination so far
 */
export function search(
  tree: Tree,
  menu: Menu,
  levels: Levels,
  bound: ReadonlySet<string>,
  aim: Aim,
  budget: Budget,
  best: Found | null,
): Found | null {
  const decided = new Map<string, string>();
  const taken: Taken[] = [];

  const visit = (open: readonly Decision[]): void => {
    if (budget.left <= 0) return;
    if (best && aim.bound(taken, open) <= Number(best.value)) return;
    if (open.length === 0) {
      budget.left -= 1;
      const choices = choicesOf(taken, levels);
      const value = aim.measure(choices);
      if (value !== null && (!best || value > best.value)) best = { value, choices };
      return;
    }
    const [next, ...rest] = open as [Decision, ...Decision[]];
    const ways = next.options
      .map((option) => ({ option, open: ordered([...option.below, ...rest], bound) }))
      .map((way) => ({ ...way, at: aim.bound([...taken, { decision: next, option: way.option }], way.open) }))
      .sort((a, b) => b.at - a.at);
    for (const way of ways) {
      if (best && way.at <= Number(best.value)) break;
      decided.set(next.id, way.option.value);
      taken.push({ decision: next, option: way.option });
      if (!menu.rules.some((rule) => brokenSoFar(rule, menu, decided, levels))) visit(way.open);
      taken.pop();
      decided.delete(next.id);
    }
  };
  // Levels alone may break a rule.
  if (!menu.rules.some((rule) => brokenSoFar(rule, menu, decided, levels)))
    visit(ordered(tree.decisions, bound));
  return best;
}

const reaches = (decision: Decision, bound: ReadonlySet<string>): boolean =>
  bound.has(decision.id) ||
  decision.options.some(({ below }) => below.some((inner) => reaches(inner, bound)));

/** Decisions that rules speak of (or that hold such) first: what they rule out is known early. */
function ordered(decisions: readonly Decision[], bound: ReadonlySet<string>): Decision[] {
  if (bound.size === 0) return [...decisions];
  const first = decisions.filter((decision) => reaches(decision, bound));
  return first.length === 0
    ? [...decisions]
    : [...first, ...decisions.filter((each) => !first.includes(each))];
}
