import type { Choices, LostPick, Menu, Picked } from '@/model';
import { showDecimal } from '../number';
import { fits } from '../price/decided';
import { indexOf } from './answers';
import { brokenRules, ruleInWords } from './rules';

/** Picks as they are on another revision. */
export interface Carried {
  readonly choices: Choices;
  readonly lost: readonly LostPick[];
}

const gone = 'It is not offered any more.';

/**
 * What a customer picked on one revision, on the next: every pick that is still offered is kept, also where the suggestion is
 * another by now; what is not offered any more, or does not go together by the rules of the next, is told. A quantity that
 * is not on offer any more is lost alone; the extra stays in.
 *
 * @param before what was offered where it was picked
 * @param after what is offered now; the choices returned can be made on it
 */
export function carryChoices(before: Menu, picked: Choices, after: Menu): Carried {
  const [old, now] = [indexOf(before), indexOf(after)];
  const lost: LostPick[] = [];
  const extras: Record<string, Choices['extras'][string]> = {};
  const questions: Record<string, string> = {};
  const tiers: Record<string, string> = {};
  const nameOf = (all: readonly { readonly id: string; readonly name: string }[] | undefined, id: string) =>
    all?.find((each) => each.id === id)?.name ?? id;

  for (const [id, pick] of Object.entries(picked.extras)) {
    const was = old.extras.get(id);
    const is = now.extras.get(id);
    const about = is?.name ?? was?.name ?? id;
    const said = pick.in ? 'in' : 'left out';
    if (!is) {
      lost.push({ about, picked: said, because: gone });
      continue;
    }
    const { quantity } = pick;
    const limits = is.extra.quantity;
    if (quantity === undefined || (limits && fits(quantity, limits))) extras[id] = pick;
    else {
      extras[id] = { in: pick.in };
      const because = limits
        ? `The quantity goes from ${limits.minimum} to ${limits.maximum} in steps of ${limits.step} now.`
        : 'Its quantity is fixed now.';
      lost.push({ about, picked: showDecimal(quantity), because });
    }
  }
  for (const [id, answer] of Object.entries(picked.questions)) {
    const was = old.questions.get(id);
    const is = now.questions.get(id);
    if (is?.answers.some((each) => each.id === answer)) questions[id] = answer;
    else
      lost.push({ about: is?.name ?? was?.name ?? id, picked: nameOf(was?.answers, answer), because: gone });
  }
  for (const [id, level] of Object.entries(picked.tiers ?? {})) {
    const was = old.tiers.get(id);
    const is = now.tiers.get(id);
    if (is?.levels.some((each) => each.id === level)) tiers[id] = level;
    else lost.push({ about: is?.name ?? was?.name ?? id, picked: nameOf(was?.levels, level), because: gone });
  }

  const kept = (): Choices => ({ extras, questions, ...(picked.tiers ? { tiers } : {}) });
  /** Takes a pick back, where there is one. */
  const drop = (pick: Picked, because: string): boolean => {
    if ('extra' in pick) {
      const made = extras[pick.extra];
      if (made === undefined) return false;
      delete extras[pick.extra];
      lost.push({
        about: now.extras.get(pick.extra)?.name ?? pick.extra,
        picked: made.in ? 'in' : 'left out',
        because,
      });
      return true;
    }
    const [all, id] =
      'question' in pick ? ([questions, pick.question] as const) : ([tiers, pick.tiers] as const);
    const made = all[id];
    if (made === undefined) return false;
    delete all[id];
    const is = 'question' in pick ? now.questions.get(id) : now.tiers.get(id);
    const answers = is && ('answers' in is ? is.answers : is.levels);
    lost.push({ about: is?.name ?? id, picked: nameOf(answers, made), because });
    return true;
  };
  // What the rules of the next do not let stand goes: first what calls for another, then the other.
  for (let broken = brokenRules(after, kept()); broken.length > 0; broken = brokenRules(after, kept())) {
    const [rule] = broken;
    const because = ruleInWords(rule!, after);
    if (drop(rule!.when, because) || drop(rule!.other, because)) continue;
    // Neither was picked by itself: something else picked brings them, and all goes back to what is suggested.
    for (const id of Object.keys(extras)) drop({ extra: id }, because);
    for (const [question, alternative] of Object.entries(questions)) drop({ question, alternative }, because);
    for (const [of, level] of Object.entries(tiers)) drop({ tiers: of, level }, because);
    break;
  }
  return { choices: kept(), lost };
}
