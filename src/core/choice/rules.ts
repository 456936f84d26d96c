import type { Choices, Menu, Picked, Rule } from '@/model';
import { showDate } from '../text/dates';
import type { Answers } from './answers';
import { allHold, answersOf, indexOf } from './answers';
import { fits } from '../price/decided';

/** A choice that cannot be taken, with a sentence for the person who chose. */
export interface ChoiceProblem {
  readonly id: string;
  readonly message: string;
}

/** Is it taken? What is not on offer as things stand is not. */
export function taken(pick: Picked, menu: Menu, answers: Answers): boolean {
  const { extras, questions } = indexOf(menu);
  if ('extra' in pick) {
    const offered = extras.get(pick.extra);
    return offered !== undefined && answers.extra(pick.extra) && allHold(offered.when, answers);
  }
  if ('question' in pick) {
    const asked = questions.get(pick.question);
    return (
      asked !== undefined &&
      answers.question(pick.question) === pick.alternative &&
      allHold(asked.when, answers)
    );
  }
  return answers.tiers(pick.tiers) === pick.level;
}

/** What a pick is called: the extra, or the answer behind its question. Null when it is not on offer. */
export function nameOfPick(pick: Picked, menu: Menu): string | null {
  const { extras, questions, tiers } = indexOf(menu);
  if ('extra' in pick) return extras.get(pick.extra)?.name ?? null;
  if ('question' in pick)
    return questions.get(pick.question)?.answers.find(({ id }) => id === pick.alternative)?.name ?? null;
  return tiers.get(pick.tiers)?.levels.find(({ id }) => id === pick.level)?.name ?? null;
}

/** The rule as a sentence for the customer. */
export function ruleInWords({ when, says, other, reason }: Rule, menu: Menu): string {
  const [one, two] = [nameOfPick(when, menu) ?? '?', nameOfPick(other, menu) ?? '?'];
  const said = says === 'needs' ? `“${one}” needs “${two}”` : `“${one}” does not go with “${two}”`;
  return reason ? `${said}: ${reason.replace(/\.$/, '')}.` : `${said}.`;
}

/** The rules that choices break. */
export function brokenRules(menu: Menu, choices: Choices): Rule[] {
  if (menu.rules.length === 0) return [];
  const answers = answersOf(menu, choices);
  return menu.rules.filter(
    ({ when, says, other }) =>
      taken(when, menu, answers) && taken(other, menu, answers) !== (says === 'needs'),
  );
}

/**
 * Why a change of mind cannot be made, in words; null when it can. Rules that are broken already do not count: a way out
 * of a broken state must stay open.
 */
export function hindrance(menu: Menu, now: Choices, next: Choices): string | null {
  if (menu.rules.length === 0) return null;
  const before = new Set(brokenRules(menu, now).map(({ id }) => id));
  const broken = brokenRules(menu, next).find(({ id }) => !before.has(id));
  return broken ? ruleInWords(broken, menu) : null;
}

/** Why something can no longer be decided; null when it can. */
export function tooLate(until: string | null | undefined, today: string | null): string | null {
  return until && today !== null && today > until ? `This could be decided until ${showDate(until)}.` : null;
}

/**
 * Checks that choices can be made on this proposal: known ids, quantities within their limits and on their steps, no
 * rule broken, nothing changed after its date or while it is not on offer.
 *
 * @param since what stood before and which day it is, where dates count
 */
export function checkChoices(
  menu: Menu,
  choices: Choices,
  since?: { readonly before: Choices; readonly today: string },
): ChoiceProblem[] {
  const problems: ChoiceProblem[] = [];
  const refuse = (id: string, message: string) => problems.push({ id, message });
  const { extras, questions, tiers } = indexOf(menu);

  for (const [id, { quantity }] of Object.entries(choices.extras)) {
    const limits = extras.get(id)?.extra.quantity;
    if (!extras.has(id)) refuse(id, 'This is not something you can leave out or take in.');
    else if (quantity !== undefined && !limits) refuse(id, 'The quantity of this extra is fixed.');
    else if (quantity !== undefined && limits && !fits(quantity, limits))
      refuse(id, `The quantity goes from ${limits.minimum} to ${limits.maximum} in steps of ${limits.step}.`);
  }
  for (const [id, picked] of Object.entries(choices.questions))
    if (!questions.get(id)?.answers.some((answer) => answer.id === picked))
      refuse(id, 'This alternative is not offered.');
  for (const [id, picked] of Object.entries(choices.tiers ?? {}))
    if (!tiers.get(id)?.levels.some((level) => level.id === picked)) refuse(id, 'This level is not offered.');
  if (problems.length > 0) return problems;

  for (const rule of brokenRules(menu, choices)) refuse(rule.id, ruleInWords(rule, menu));
  if (since) {
    problems.push(...hiddenChanges(menu, choices, since.before));
    problems.push(...lateChanges(menu, choices, since.before, since.today));
  }
  return problems;
}

/** Decisions that were changed while they were not on offer: their section is left out, or another level is chosen. */
function hiddenChanges(menu: Menu, choices: Choices, before: Choices): ChoiceProblem[] {
  const [old, now] = [answersOf(menu, before), answersOf(menu, choices)];
  const refused = (id: string, name: string) => ({
    id,
    message: `“${name}” is not on offer with what is chosen.`,
  });
  return [
    ...menu.extras
      .filter(
        ({ id, when }) =>
          !allHold(when, now) &&
          (old.extra(id) !== now.extra(id) || before.extras[id]?.quantity !== choices.extras[id]?.quantity),
      )
      .map(({ id, name }) => refused(id, name)),
    ...menu.questions
      .filter(({ id, when }) => !allHold(when, now) && old.question(id) !== now.question(id))
      .map(({ id, name }) => refused(id, name)),
  ];
}

function lateChanges(menu: Menu, choices: Choices, before: Choices, today: string): ChoiceProblem[] {
  const [old, now] = [answersOf(menu, before), answersOf(menu, choices)];
  const problems: ChoiceProblem[] = [];
  const check = (id: string, name: string, until: string | null | undefined, changed: boolean) => {
    const late = changed ? tooLate(until, today) : null;
    if (late) problems.push({ id, message: `“${name}”: ${late}` });
  };
  for (const { id, name, extra } of menu.extras)
    check(
      id,
      name,
      extra.until,
      old.extra(id) !== now.extra(id) || before.extras[id]?.quantity !== choices.extras[id]?.quantity,
    );
  for (const { id, name, until } of menu.questions)
    check(id, name, until, old.question(id) !== now.question(id));
  for (const { id, name, until } of menu.tiers) check(id, name, until, old.tiers(id) !== now.tiers(id));
  return problems;
}
