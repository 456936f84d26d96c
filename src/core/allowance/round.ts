import { memoByIdentity } from '../collections/memoByIdentity';
import type { Choices, Menu, SelectionAlternative, SelectionExtra, SelectionRound } from '@/model';
import { answersOf } from '../choice/answers';
import { NONE } from '../price/decided';
import type { Amount, Fixed } from '../number';
import { NotADecimal, ONE, multiplyToAmount, parseAmount, parseFixed, sumAmounts } from '../number';

/** What selections of a round are reckoned with: the quantity of the allowance's line, and the currency's decimals. */
export interface RoundScale {
  readonly quantity: Fixed;
  readonly minorDigits: number;
}

/** What one thing comes to that can be chosen in a round. */
export interface Offered {
  readonly id: string;
  readonly name: string;
  /** In the measure of the allowance's rule; an extra at the quantity chosen. */
  readonly amount: Amount;
  readonly picked: boolean;
}

/** A round under choices: each thing with its amount, and what is chosen in all. */
export interface RoundFigures {
  readonly questions: readonly { readonly id: string; readonly alternatives: readonly Offered[] }[];
  readonly extras: readonly (Offered & { readonly quantity: string | null })[];
  readonly chosen: Amount;
}

/** Everything that can be decided in a round, for the checks that hold for every choice. */
export const menuOfRound = memoByIdentity((round: SelectionRound): Menu => {
  return {
    extras: round.extras.map((extra) => ({
      id: extra.id,
      name: extra.name,
      extra: { in: extra.in, ...(extra.quantity ? { quantity: extra.quantity } : {}) },
      when: [],
    })),
    questions: round.questions.map(({ id, prompt, alternatives, none, suggested }) => ({
      id,
      name: prompt,
      answers: [
        ...alternatives.map((each) => ({ id: each.id, name: each.name })),
        ...(none ? [{ id: NONE, name: none.name }] : []),
      ],
      suggested,
      until: null,
      when: [],
    })),
    tiers: [],
    rules: [],
  };
});

/** What can be decided in a proposal and in the rounds of its allowances, as one. */
export function withRounds(menu: Menu, rounds: readonly SelectionRound[]): Menu {
  const menus = [menu, ...rounds.map(menuOfRound)];
  return {
    ...menu,
    extras: menus.flatMap(({ extras }) => extras),
    questions: menus.flatMap(({ questions }) => questions),
  };
}

/** The quantity of an extra that counts; null where the customer does not set one. */
export const quantityOf = ({ id, quantity }: SelectionExtra, choices: Choices): string | null =>
  quantity ? (choices.extras[id]?.quantity ?? quantity.minimum) : null;

function amountOf(
  { price, per }: Pick<SelectionAlternative, 'price' | 'per'>,
  { quantity, minorDigits }: RoundScale,
  count: string | null = null,
): Amount {
  const times = count !== null ? parseFixed(count) : per === 'unit' ? quantity : ONE;
  return multiplyToAmount(times, parseFixed(price), minorDigits);
}

/**
 * What a round comes to under choices, each selection rounded to the minor unit: by the unit, price × the quantity of
 * the allowance's line; for the whole, the price; an extra whose number is set, price × number. What is not decided
 * stands as suggested.
 */
export function roundFigures(round: SelectionRound, choices: Choices, scale: RoundScale): RoundFigures {
  const answers = answersOf(menuOfRound(round), choices);
  const questions = round.questions.map(({ id, alternatives }) => ({
    id,
    alternatives: alternatives.map((each): Offered => ({
      id: each.id,
      name: each.name,
      amount: amountOf(each, scale),
      picked: answers.question(id) === each.id,
    })),
  }));
  const extras = round.extras.map((each) => {
    const quantity = quantityOf(each, choices);
    return {
      id: each.id,
      name: each.name,
      amount: amountOf(each, scale, quantity),
      picked: answers.extra(each.id),
      quantity,
    };
  });
  const picked = [...questions.flatMap(({ alternatives }) => alternatives), ...extras];
  return {
    questions,
    extras,
    chosen: sumAmounts(picked.filter((each) => each.picked).map(({ amount }) => amount)),
  };
}

/** The least and the most a round can come to. */
export function roundLimits(round: SelectionRound, scale: RoundScale): { least: Amount; most: Amount } {
  let least = 0n;
  let most = 0n;
  for (const { alternatives, none } of round.questions) {
    const amounts = alternatives.map((each) => amountOf(each, scale) as bigint);
    if (none) amounts.push(0n);
    least += amounts.reduce((a, b) => (a < b ? a : b));
    most += amounts.reduce((a, b) => (a > b ? a : b));
  }
  for (const each of round.extras) most += amountOf(each, scale, each.quantity?.maximum ?? null);
  return { least: least as Amount, most: most as Amount };
}

/** What is picked in a round, in words, for a paper that is signed: “Floor tile: Slate grey”, “Heated rail × 2”. */
export function picksInWords(round: SelectionRound, choices: Choices): string[] {
  const answers = answersOf(menuOfRound(round), choices);
  return [
    ...round.questions.map(({ id, prompt, alternatives, none }) => {
      const picked = answers.question(id);
      const name = alternatives.find((each) => each.id === picked)?.name ?? none?.name ?? '';
      return prompt.endsWith('?') ? `${prompt} ${name}` : `${prompt}: ${name}`;
    }),
    ...round.extras
      .filter(({ id }) => answers.extra(id))
      .map((extra) => {
        const quantity = quantityOf(extra, choices);
        return quantity === null ? extra.name : `${extra.name} × ${quantity}`;
      }),
  ];
}

/**
 * What is wrong in a round that its schema cannot say; empty when nothing is.
 * @param minorDigits decimals of the currency
 */
export function roundProblems(round: SelectionRound, minorDigits: number): string[] {
  const problems: string[] = [];
  const seen = new Set<string>();
  const unique = (id: string) => {
    if (seen.has(id) || id === NONE) problems.push(`two things carry the identity “${id}”.`);
    seen.add(id);
  };
  const payable = ({ name, price }: { readonly name: string; readonly price: string }) => {
    try {
      parseAmount(price, minorDigits);
    } catch (error) {
      if (!(error instanceof NotADecimal)) throw error;
      problems.push(`the price of “${name}” has at most ${minorDigits} decimals.`);
    }
  };
  for (const { prompt, alternatives, suggested, none } of round.questions) {
    for (const alternative of alternatives) {
      unique(alternative.id);
      payable(alternative);
    }
    const isThere = alternatives.some((each) => each.id === suggested) || (none && suggested === NONE);
    if (!isThere) problems.push(`“${prompt}” suggests something that is not there.`);
  }
  for (const extra of round.extras) {
    payable(extra);
    const limits = extra.quantity;
    if (limits && parseFixed(limits.minimum) > parseFixed(limits.maximum))
      problems.push(`“${extra.name}”: the smallest number is above the largest.`);
    if (limits && parseFixed(limits.step) === 0n)
      problems.push(`“${extra.name}”: the step must be above zero.`);
  }
  return problems;
}
