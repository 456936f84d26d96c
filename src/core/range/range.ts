import type { Choices, Menu, Picked, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { brokenRules, menuOf } from '../choice';
import type { Amount, Fixed } from '../number';
import { minorDigits } from '../number';
import type { Figures } from '../price';
import { computeFigures } from '../price';
import type { Scales } from './bounds';
import { allAbove, extremesOf, scalesOf } from './bounds';
import type { Aim, Budget, Found, Taken } from './search';
import { search } from './search';
import type { Decision, Levels, Tree, Weight } from './tree';
import { treeOf } from './tree';

/** One end of a range, and the choices that lead there. */
export interface End {
  readonly total: Amount;
  readonly margin: Fixed | null;
  readonly profit: Amount;
  readonly choices: Choices;
}

/** What a proposal can come to over all choices its customer can make. */
export interface Range {
  readonly lowest: End;
  readonly highest: End;
  /** Null where no combination has a price to divide by. */
  readonly lowestMargin: End | null;
  readonly highestMargin: End | null;
  /** Every end is proved; false where the work was cut short, and better ends may be there. */
  readonly exact: boolean;
}

/** So many combinations are weighed exactly, at most, before a range is given as it stands. */
const MOST_COMBINATIONS = 20_000;

/** Every way to pick levels. */
function levelsOf(menu: Menu): Levels[] {
  let all: Map<string, string>[] = [new Map()];
  for (const { id, levels } of menu.tiers)
    all = all.flatMap((before) => levels.map((level) => new Map([...before, [id, level.id]])));
  return all;
}

/** Everything rules speak of, with what it stands in. */
function boundBy(menu: Menu): ReadonlySet<string> {
  const ids = new Set<string>();
  const add = (pick: Picked) => {
    if ('extra' in pick) ids.add(pick.extra);
    else if ('question' in pick) ids.add(pick.question);
  };
  for (const { when, other } of menu.rules) {
    add(when);
    add(other);
  }
  return ids;
}

/** Adds up by section what is fixed, what is decided, and what is open by what it can come to. */
function sumBySection(
  tree: Tree,
  taken: readonly Taken[],
  open: readonly Decision[],
  weigh: (weight: Weight, section: number) => number,
  most: (decision: Decision) => number,
): number[] {
  const sums = tree.fixed.map((weight, section) => weigh(weight, section));
  for (const { decision, option } of taken) sums[decision.section]! += weigh(option.weight, decision.section);
  for (const decision of open) sums[decision.section]! += most(decision);
  return sums;
}

const endOf = ({ total, margin, profit }: Figures, choices: Choices): End => ({
  total,
  margin,
  profit,
  choices,
});

/** How a proposal is searched: what is known of it before any aim. */
interface Field {
  readonly document: ProposalDocument;
  readonly menu: Menu;
  readonly bound: ReadonlySet<string>;
  readonly trees: readonly { readonly levels: Levels; readonly tree: Tree }[];
  readonly scales: Scales;
  readonly slack: number;
  readonly figures: (choices: Choices) => Figures;
}

function fieldOf(document: ProposalDocument): Field {
  const menu = menuOf(document);
  const bound = boundBy(menu);
  const trees = levelsOf(menu).map((levels) => ({ levels, tree: treeOf(document, menu, levels, bound) }));
  const lines = document.sections.reduce((sum, { entries }) => sum + entries.length * 20, 0);
  const scales = scalesOf(document, minorDigits(document.currency), lines);
  // Where amounts below zero meet discounts and several taxes, the bounds say nothing: every combination is weighed.
  const discounts = [document, ...document.sections].some(({ discount }) => discount !== undefined);
  const blunt = discounts && document.taxClasses.length > 1 && !trees.every(({ tree }) => allAbove(tree));
  return {
    document,
    menu,
    bound,
    trees,
    scales,
    slack: blunt ? Infinity : scales.slack,
    figures: (choices) => computeFigures(document, choices),
  };
}

function best(field: Field, budget: Budget, aimAt: (tree: Tree) => Aim, from: Found | null): Found | null {
  return field.trees.reduce<Found | null>(
    (found, { tree, levels }) => search(tree, field.menu, levels, field.bound, aimAt(tree), budget, found),
    from,
  );
}

function totalEnd(field: Field, budget: Budget, most: boolean, start: Choices | null): End | null {
  const { scales, figures } = field;
  const sign = most ? 1 : -1;
  const measure = (choices: Choices) => BigInt(sign) * figures(choices).total;
  const extremes = extremesOf(scales, most, () => 0);
  const found = best(
    field,
    budget,
    (tree) => ({
      measure,
      bound: (taken, open) => {
        const taxed = sumBySection(tree, taken, open, scales.taxed, (each) => extremes(each).taxed);
        const net = sumBySection(tree, taken, open, scales.net, (each) => extremes(each).net);
        const total = scales.total(taxed.map((each, i) => ({ taxed: each, net: net[i]! })));
        return sign * total + field.slack;
      },
    }),
    start && { value: measure(start), choices: start },
  );
  return found && endOf(figures(found.choices), found.choices);
}

/** Shares of a section's amounts that its own discount and that of the whole leave, and what they take as amounts. */
function keptOf({ document, scales }: Field, tree: Tree) {
  const unit = 10 ** minorDigits(document.currency);
  const share = (discount: ProposalDocument['discount']) =>
    discount && 'percent' in discount ? 1 - Number(discount.percent) / 100 : 1;
  const amount = (discount: ProposalDocument['discount']) =>
    discount && 'amount' in discount ? Number(discount.amount) * unit : 0;
  const whole = share(document.discount);
  const least = extremesOf(scales, false, () => 0);
  const net = sumBySection(tree, [], tree.decisions, scales.net, (each) => least(each).net);
  // A discount of an amount takes all of it only where there is as much; then it takes what there is.
  const sure = document.sections.map(({ discount }, i) =>
    net[i]! >= amount(discount) ? amount(discount) : 0,
  );
  const all = document.sections.map(({ discount }) => amount(discount));
  const left = net.reduce(
    (sum, each, i) => sum + Math.max(0, each * share(document.sections[i]!.discount) - all[i]!),
    0,
  );
  const sum = (values: readonly number[]) => values.reduce((total, each) => total + each, 0);
  return {
    share: document.sections.map(({ discount }) => share(discount) * whole),
    atLeast: sum(sure) * whole + (left >= amount(document.discount) ? amount(document.discount) : 0),
    atMost: sum(all) * whole + amount(document.discount),
  };
}

/**
 * The end of the margin. With the margin of the best so far as a rate, is there a combination that earns more above (or
 * less below) it? Each answer is a better rate, until there is none (Dinkelbach, 1967, from memory).
 */
function marginEnd(field: Field, budget: Budget, most: boolean, start: Choices | null): End | null {
  const { scales, figures } = field;
  const sign = most ? 1 : -1;
  let at = start && figures(start).beforeTax > 0n ? start : null;
  for (;;) {
    const now = at ? figures(at) : null;
    const [cost, price] = now ? [now.cost, now.beforeTax] : [0n, 1n];
    const measure = (choices: Choices) => {
      const { beforeTax, cost: spent } = figures(choices);
      return beforeTax > 0n ? BigInt(sign) * (cost * beforeTax - spent * price) : null;
    };
    const [per, rate] = [Number(cost), Number(price)];
    const aimAt = (tree: Tree): Aim => {
      const kept = keptOf(field, tree);
      const weigh = (weight: Weight, section: number) =>
        sign * (per * scales.earned(weight) * kept.share[section]! - rate * weight.cost);
      const extremes = extremesOf(scales, true, weigh);
      // What discounts take off counts against the aim, or for it where work below zero makes the cost less than none.
      const taken = sign * per >= 0 ? kept.atLeast * scales.earnedOff[0] : kept.atMost * scales.earnedOff[1];
      return {
        measure,
        bound: (done, open) => {
          const sums = sumBySection(tree, done, open, weigh, (each) => extremes(each).value);
          return (
            sums.reduce((sum, each) => sum + each, 0) -
            sign * per * taken +
            field.slack * (Math.abs(per) + rate)
          );
        },
      };
    };
    const found = best(field, budget, aimAt, at && { value: 0n, choices: at });
    if (!found) return null;
    if (at && found.value <= 0n) return endOf(figures(at), at);
    at = found.choices;
    if (budget.left <= 0) return endOf(figures(at), at);
  }
}

/**
 * The lowest and highest total and margin over all choices, exact to the cent: bounds that leave out only the roundings
 * narrow the search, and what is left is computed as it would be shown. Independent choices are decided each by itself;
 * only rules between them, and ties within the roundings, make it look further.
 *
 * Combinations that a rule forbids do not count; where none is allowed, the proposal as suggested stands for all.
 */
export function rangeOf(document: ProposalDocument): Range {
  const field = fieldOf(document);
  const start = brokenRules(field.menu, asSuggested).length === 0 ? asSuggested : null;
  const now = endOf(field.figures(asSuggested), asSuggested);
  let exact = true;
  const end = (find: (budget: Budget) => End | null): End | null => {
    const budget: Budget = { left: MOST_COMBINATIONS };
    const found = find(budget);
    if (budget.left <= 0) exact = false;
    return found;
  };
  const ends = {
    lowest: end((budget) => totalEnd(field, budget, false, start)) ?? now,
    highest: end((budget) => totalEnd(field, budget, true, start)) ?? now,
    lowestMargin: end((budget) => marginEnd(field, budget, false, start)),
    highestMargin: end((budget) => marginEnd(field, budget, true, start)),
  };
  return { ...ends, exact };
}
