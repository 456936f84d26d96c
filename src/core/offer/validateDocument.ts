import type {
  Allowance,
  Bundle,
  Discount,
  Line,
  Load,
  PlanPoint,
  PricedItem,
  ProposalDocument,
  Recipe,
} from '@/model';
import { roundProblems } from '../allowance';
import { NONE, bundlesOf, isAnswer, linesOf, questionsOf } from '../choice';
import { reservedNames } from '../formula';
import { NotADecimal, ONE, minorDigits, parseAmount, parseFixed, parsePercent } from '../number';
import { edgeName } from '../plan';

/** Something in a document that a person has to mend or look at; `partId` names the place. */
export interface DocumentProblem {
  readonly partId: string | null;
  readonly message: string;
  /** `wrong`: the document cannot be stored. `open`: it can, but not be sent. `look`: worth a look before sending. */
  readonly weight: 'wrong' | 'open' | 'look';
}

/** What is wrong in a recipe that its schema cannot say; empty when nothing is. */
export function recipeProblems(
  recipe: Recipe,
  items: Readonly<Record<string, PricedItem>>,
): readonly string[] {
  const problems: string[] = [];
  const names = new Set<string>();
  const ids = new Set<string>();
  for (const { name } of [...recipe.inputs, ...recipe.parts]) {
    if (names.has(name)) problems.push(`two inputs or parts are called “${name}”.`);
    if (reservedNames.includes(name))
      problems.push(`nothing can be called “${name}”; it means something in formulas.`);
    names.add(name);
  }
  for (const part of recipe.parts) {
    if (ids.has(part.id)) problems.push(`two parts carry the identity “${part.id}”.`);
    ids.add(part.id);
    if ('bundle' in part) continue;
    for (const key of [part.item, ...Object.values(part.grades ?? {})])
      if (key !== null && !Object.hasOwn(items, key))
        problems.push(`“${part.name}” names an item that is not there.`);
  }
  return problems;
}

/** What of a document cannot be stored: identities that clash, references that lead nowhere, rates that cannot be. */
export function validateDocument(document: ProposalDocument): DocumentProblem[] {
  const problems: DocumentProblem[] = [];
  const wrong = (partId: string | null, message: string) =>
    problems.push({ partId, message, weight: 'wrong' });
  const seen = new Set<string>();
  const unique = (id: string) => {
    if (seen.has(id)) wrong(id, `Two parts carry the identity “${id}”.`);
    seen.add(id);
  };
  const taxClasses = new Set(document.taxClasses.map(({ id }) => id));
  const digits = minorDigits(document.currency);
  /** An amount of money can be paid: it has no more decimals than its currency. */
  const payable = (partId: string | null, name: string, amount: string) => {
    try {
      parseAmount(amount, digits);
    } catch (error) {
      if (!(error instanceof NotADecimal)) throw error;
      wrong(partId, `${name}: an amount in ${document.currency} has at most ${digits} decimals.`);
    }
  };
  const checkDiscount = (partId: string | null, name: string, discount: Discount | undefined) => {
    if (!discount) return;
    if ('amount' in discount) payable(partId, name, discount.amount);
    else if (parsePercent(discount.percent) > ONE)
      wrong(partId, `${name}: a discount cannot be more than 100 %.`);
  };
  const checkLoads = (partId: string, name: string, loads: readonly Load[] | undefined) => {
    for (const load of loads ?? [])
      if (load.base === 'price' && parsePercent(load.percent) >= ONE)
        wrong(partId, `“${name}”, ${load.name}: a share of the price must be below 100 %.`);
  };
  const checkPriced = (partId: string, item: PricedItem) => {
    if (!taxClasses.has(item.taxClass))
      wrong(partId, `“${item.description}” names a tax class that is not there.`);
    if (item.minimumCharge !== undefined)
      payable(partId, `Minimum charge of “${item.description}”`, item.minimumCharge);
    checkLoads(partId, item.description, item.loads);
    if (item.pack !== undefined && parseFixed(item.pack) === 0n)
      wrong(partId, `“${item.description}”: a pack holds more than nothing.`);
  };
  const checkBundle = (bundle: Bundle) => {
    unique(bundle.id);
    checkDiscount(bundle.id, `Discount on “${bundle.name}”`, bundle.discount);
    checkLoads(bundle.id, bundle.name, bundle.loads);
    for (const item of Object.values(bundle.items)) checkPriced(bundle.id, item);
    for (const change of Object.values(bundle.changes)) if (change.item) checkPriced(bundle.id, change.item);
    for (const recipe of [bundle.recipe, ...Object.values(bundle.within).map(({ recipe }) => recipe)])
      for (const message of recipeProblems(recipe, bundle.items))
        wrong(bundle.id, `“${bundle.name}”: ${message}`);
  };
  const checkLine = (line: Line) => {
    unique(line.id);
    checkPriced(line.id, line);
    const limits = line.extra?.quantity;
    if (limits && parseFixed(limits.minimum) > parseFixed(limits.maximum))
      wrong(line.id, `“${line.description}”: the smallest quantity is above the largest.`);
    if (limits && parseFixed(limits.step) === 0n)
      wrong(line.id, `“${line.description}”: the step must be above zero.`);
    checkDiscount(line.id, `Discount on “${line.description}”`, line.discount);
    if (line.allowance) checkAllowance(line, line.allowance);
    if ((line.omits || line.settles !== undefined) && !document.change)
      wrong(line.id, `“${line.description}” changes an agreement: that takes a change order.`);
    if (line.omits && parseFixed(line.omits.quantity) === 0n)
      wrong(line.id, `“${line.description}” leaves out nothing.`);
  };
  const checkAllowance = (line: Line, { amount, fee, rounds }: Allowance) => {
    const name = `Allowance “${line.description}”`;
    payable(line.id, name, amount);
    if (parsePercent(fee) >= ONE) wrong(line.id, `${name}: a fee is a share of the price below 100 %.`);
    if (line.discount) wrong(line.id, `${name}: an allowance is not discounted.`);
    if (line.extra?.quantity)
      wrong(line.id, `${name}: the customer cannot set the quantity of an allowance.`);
    for (const round of rounds) {
      for (const { id } of [round, ...round.questions, ...round.extras]) unique(id);
      for (const message of roundProblems(round, digits))
        wrong(line.id, `${name}, ${round.name}: ${message}`);
    }
  };
  for (const section of document.sections) {
    unique(section.id);
    checkDiscount(section.id, `Discount on “${section.title}”`, section.discount);
    checkLoads(section.id, section.title, section.loads);
    for (const question of questionsOf(section)) {
      const { id, prompt, alternatives, recommended } = question;
      unique(id);
      for (const alternative of alternatives) {
        unique(alternative.id);
        if (alternative.id === NONE)
          wrong(id, `No alternative of “${prompt}” can carry the identity “none”.`);
      }
      if (!isAnswer(question, question.suggested))
        wrong(id, `“${prompt}” suggests an alternative that is not there.`);
      if (recommended && !alternatives.some((each) => each.id === recommended.alternative))
        wrong(id, `“${prompt}” recommends an alternative that is not there.`);
    }
    for (const bundle of bundlesOf(section)) {
      checkBundle(bundle);
      for (const { id, description, allowance } of bundle.added)
        if (allowance) wrong(id, `Allowance “${description}”: stands on its own, not inside a bundle.`);
    }
    for (const line of linesOf(section)) checkLine(line);
  }
  for (const tiers of document.tiers ?? []) {
    const { id, prompt, levels, suggested, recommended, section } = tiers;
    unique(id);
    const ids = new Set(levels.map((level) => level.id));
    if (ids.size < levels.length) wrong(id, `“${prompt}”: two levels carry the same identity.`);
    if (!ids.has(suggested)) wrong(id, `“${prompt}” suggests a level that is not there.`);
    if (recommended && !ids.has(recommended.level))
      wrong(id, `“${prompt}” recommends a level that is not there.`);
    if (section !== undefined && !document.sections.some((each) => each.id === section))
      wrong(id, `“${prompt}” is of a section that is not there.`);
  }
  for (const { id, when, other } of document.rules ?? []) {
    unique(id);
    if (JSON.stringify(when) === JSON.stringify(other)) wrong(id, 'A rule speaks of one choice and another.');
  }
  const measures = new Set<string>();
  const named = (id: string, name: string) => {
    if (measures.has(name)) wrong(id, `Two measures are called “${name}”.`);
    if (reservedNames.includes(name))
      wrong(id, `A measure cannot be called “${name}”: it means something in formulas.`);
    measures.add(name);
  };
  for (const measure of document.measures ?? []) {
    unique(measure.id);
    named(measure.id, measure.name);
  }
  for (const plan of document.plans ?? []) {
    unique(plan.id);
    const inside = ([x, y]: PlanPoint) => x! <= plan.width && y! <= plan.height;
    for (const traced of plan.traced) {
      unique(traced.id);
      named(traced.id, traced.name);
      if (traced.kind === 'area') named(traced.id, edgeName(traced.name));
      if (!traced.figures.every(({ points }) => points.every(inside)))
        wrong(traced.id, `“${traced.label}” reaches outside the plan “${plan.name}”.`);
    }
    if (plan.scale && !(inside(plan.scale.from) && inside(plan.scale.to)))
      wrong(plan.id, `The scale of “${plan.name}” reaches outside the plan.`);
  }
  checkDiscount(null, 'Discount on the whole', document.discount);
  if (taxClasses.size < document.taxClasses.length) wrong(null, 'Two tax classes carry the same identity.');
  for (const taxClass of document.taxClasses) {
    const components = new Set(taxClass.components.map(({ id }) => id));
    if (components.size < taxClass.components.length)
      wrong(taxClass.id, `“${taxClass.name}” names a component twice.`);
  }
  for (const entry of document.schedule) {
    unique(entry.id);
    if ('amount' in entry.share) payable(entry.id, `Payment “${entry.name}”`, entry.share.amount);
  }
  for (const fee of document.fees) {
    unique(fee.id);
    if ('fixed' in fee.amount) payable(fee.id, `Fee “${fee.name}”`, fee.amount.fixed);
    if (!taxClasses.has(fee.taxClass))
      wrong(fee.id, `The fee “${fee.name}” names a tax class that is not there.`);
  }
  for (const load of document.loads) {
    unique(load.id);
    if (load.base === 'price' && parsePercent(load.percent) >= 1_000_000n)
      wrong(load.id, `${load.name}: a share of the price must be below 100 %.`);
  }
  return problems;
}
