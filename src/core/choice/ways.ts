import type { Choices, Menu, Picked, Rule, Test, Way } from '@/model';
import type { Answers } from './answers';
import { answersOf, indexOf } from './answers';
import { brokenRules, nameOfPick, ruleInWords, taken, tooLate } from './rules';

/*
 * What can be chosen at all where rules tie choices together, and how to get there. Rules touch few decisions; those, and the
 * ones that decide whether they are on offer, are tried one after the other, with a bound on the work: beyond it nothing is
 * claimed.
 */

const MOST_TRIES = 20_000;

interface Decision {
  readonly kind: 'extra' | 'question' | 'tiers';
  readonly id: string;
  readonly options: readonly string[];
}

const key = (kind: Decision['kind'], id: string) => `${kind} ${id}`;
/** The decision that a test or a pick is about. */
const keyOf = (of: Test | Picked): string =>
  'extra' in of
    ? key('extra', of.extra)
    : 'question' in of
      ? key('question', of.question)
      : key('tiers', of.tiers);
const optionOf = (pick: Picked): string =>
  'extra' in pick ? 'in' : 'question' in pick ? pick.alternative : pick.level;

/** Everything that can be picked: an extra, an answer, a level. */
export const picksOf = (menu: Menu): Picked[] => [
  ...menu.extras.map(({ id }): Picked => ({ extra: id })),
  ...menu.questions.flatMap(({ id, answers }) =>
    answers.map((answer): Picked => ({ question: id, alternative: answer.id })),
  ),
  ...menu.tiers.flatMap(({ id, levels }) => levels.map((level): Picked => ({ tiers: id, level: level.id }))),
];

/** The decisions that rules and a pick depend on, those that decide whether they are on offer among them. */
function decisionsFor(menu: Menu, rules: readonly Rule[], pick: Picked): Decision[] {
  const { extras, questions, tiers } = indexOf(menu);
  const found = new Map<string, Decision>();
  const visit = (of: Test | Picked): void => {
    const at = keyOf(of);
    if (found.has(at)) return;
    if ('extra' in of) {
      const extra = extras.get(of.extra);
      if (!extra) return;
      found.set(at, { kind: 'extra', id: of.extra, options: ['in', 'out'] });
      for (const test of extra.when) visit(test);
    } else if ('question' in of) {
      const question = questions.get(of.question);
      if (!question) return;
      found.set(at, { kind: 'question', id: of.question, options: question.answers.map(({ id }) => id) });
      for (const test of question.when) visit(test);
    } else {
      const levels = tiers.get(of.tiers)?.levels;
      if (levels) found.set(at, { kind: 'tiers', id: of.tiers, options: levels.map(({ id }) => id) });
    }
  };
  visit(pick);
  for (const { when, other } of rules) for (const each of [when, other]) visit(each);
  return [...found.values()];
}

/** Choices with one decision made. */
function decided(choices: Choices, { kind, id }: Decision, option: string): Choices {
  if (kind === 'extra')
    return {
      ...choices,
      extras: { ...choices.extras, [id]: { ...choices.extras[id], in: option === 'in' } },
    };
  if (kind === 'question') return { ...choices, questions: { ...choices.questions, [id]: option } };
  return { ...choices, tiers: { ...choices.tiers, [id]: option } };
}

const standing = (answers: Answers, { kind, id }: Decision): string | undefined =>
  kind === 'extra'
    ? answers.extra(id)
      ? 'in'
      : 'out'
    : kind === 'question'
      ? answers.question(id)
      : answers.tiers(id);

interface Found {
  readonly choices: Choices;
  readonly changed: readonly { readonly decision: Decision; readonly option: string }[];
}

/**
 * Choices under which a pick is taken and no rule is broken, with as few other decisions changed as possible.
 * @param most how many may be changed
 * @param leave the other way round: the extra is left out
 * @param fixed decisions that stay as they stand
 * @returns null where there are none; undefined where the bound was reached first
 */
function search(
  menu: Menu,
  base: Choices,
  pick: Picked,
  rules: readonly Rule[],
  most: number,
  fixed: (decision: Decision) => boolean,
  leave = false,
): Found | null | undefined {
  const decisions = decisionsFor(menu, rules, pick);
  const target = decisions.find(({ kind, id }) => key(kind, id) === keyOf(pick));
  const wanted = leave ? 'out' : optionOf(pick);
  if (!target?.options.includes(wanted)) return null;
  const start = answersOf(menu, base);
  const begun = decided(base, target, wanted);
  const others = decisions.filter((each) => each !== target && !fixed(each));
  const ruled: Menu = { ...menu, rules: [...rules] };
  const good = (choices: Choices) =>
    (leave || taken(pick, menu, answersOf(menu, choices))) && brokenRules(ruled, choices).length === 0;
  let tries = 0;
  const go = (
    choices: Choices,
    from: number,
    left: number,
    changed: Found['changed'],
  ): Found | null | undefined => {
    if (left === 0) {
      tries += 1;
      return good(choices) ? { choices, changed } : tries >= MOST_TRIES ? undefined : null;
    }
    for (let i = from; i <= others.length - left; i += 1) {
      const decision = others[i]!;
      const now = standing(start, decision);
      for (const option of decision.options) {
        if (option === now) continue;
        const found = go(decided(choices, decision, option), i + 1, left - 1, [
          ...changed,
          { decision, option },
        ]);
        if (found !== null) return found;
      }
    }
    return null;
  };
  for (let changes = 0; changes <= Math.min(most, others.length); changes += 1) {
    const found = go(begun, 0, changes, []);
    if (found !== null) return found;
  }
  return null;
}

/**
 * The nearest choices under which something can be picked that rules are against as things stand: with it, whatever else has
 * to change, as little as possible and at most four decisions. Nothing is changed whose day is over.
 * @returns null where there is no such way, or none was found in time
 */
export function wayTo(
  menu: Menu,
  now: Choices,
  pick: Picked,
  today: string | null,
  leave = false,
): Way | null {
  const { extras, questions, tiers } = indexOf(menu);
  const over = ({ kind, id }: Decision): boolean => {
    const until =
      kind === 'extra'
        ? extras.get(id)!.extra.until
        : kind === 'question'
          ? questions.get(id)!.until
          : tiers.get(id)!.until;
    return tooLate(until, today) !== null;
  };
  const found = search(menu, now, pick, menu.rules, 4, over, leave);
  if (!found) return null;
  const words = found.changed.map(({ decision: { kind, id }, option }) => {
    if (kind === 'extra') return `${option === 'in' ? 'with' : 'without'} “${extras.get(id)!.name}”`;
    const picked: Picked =
      kind === 'question' ? { question: id, alternative: option } : { tiers: id, level: option };
    return `with “${nameOfPick(picked, menu)}”`;
  });
  return { choices: found.choices, words };
}

/** Something that can never be picked, and the rules that keep it from being. */
export interface Impossible {
  readonly pick: Picked;
  readonly name: string;
  readonly rules: readonly Rule[];
}

/**
 * What is offered and can never be picked, because rules contradict each other: this needs that, and that does not go with
 * this; an extra that goes with no alternative. Only where it is certain. An extra that can never be left out is no less on
 * offer for it and is not named.
 */
export function neverPicked(menu: Menu): Impossible[] {
  if (menu.rules.length === 0) return [];
  const base: Choices = { extras: {}, questions: {} };
  const ruled = new Set(menu.rules.flatMap(({ when, other }) => [keyOf(when), keyOf(other)]));
  const can = (pick: Picked, rules: readonly Rule[]) =>
    search(menu, base, pick, rules, Infinity, () => false) !== null;
  return picksOf(menu)
    .filter((pick) => ruled.has(keyOf(pick)) && !can(pick, menu.rules))
    .map((pick) => {
      // Rules without which it still cannot be are not what keeps it.
      let kept: readonly Rule[] = menu.rules;
      for (const rule of menu.rules) {
        const less = kept.filter((each) => each !== rule);
        if (!can(pick, less)) kept = less;
      }
      return { pick, name: nameOfPick(pick, menu) ?? '?', rules: kept };
    });
}

/** What can never be picked, as a sentence. */
export const neverInWords = ({ name, rules }: Impossible, menu: Menu): string =>
  rules.length === 0
    ? `“${name}” can never be chosen: what it stands in is never on offer.`
    : `“${name}” can never be chosen. ${rules.map((rule) => ruleInWords(rule, menu)).join(' ')}`;
