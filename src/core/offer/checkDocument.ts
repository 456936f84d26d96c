import type { Bundle, Discount, Line, PlanPoint, PricedItem, ProposalDocument, Recipe } from '@/model';
import { bundlesOf, fits, linesOf } from '../choice';
import { NotADecimal, ONE, minorDigits, parseAmount, parseFixed, parsePercent } from '../number';
import { computeFigures } from '../price';
import { computeSchedule } from '../schedule';
import { reservedNames } from '../formula';
import { edgeName, readTraced } from '../plan';

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

function wrongParts(document: ProposalDocument): DocumentProblem[] {
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
  const checkPriced = (partId: string, item: PricedItem) => {
    if (!taxClasses.has(item.taxClass))
      wrong(partId, `“${item.description}” names a tax class that is not there.`);
    if (item.minimumCharge !== undefined)
      payable(partId, `Minimum charge of “${item.description}”`, item.minimumCharge);
    for (const load of item.loads ?? [])
      if (load.base === 'price' && parsePercent(load.percent) >= 1_000_000n)
        wrong(partId, `“${item.description}”, ${load.name}: a share of the price must be below 100 %.`);
    if (item.pack !== undefined && parseFixed(item.pack) === 0n)
      wrong(partId, `“${item.description}”: a pack holds more than nothing.`);
  };
  const checkBundle = (bundle: Bundle) => {
    unique(bundle.id);
    checkDiscount(bundle.id, `Discount on “${bundle.name}”`, bundle.discount);
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
  };
  for (const section of document.sections) {
    unique(section.id);
    checkDiscount(section.id, `Discount on “${section.title}”`, section.discount);
    for (const entry of section.entries)
      if (entry.kind === 'question') {
        unique(entry.id);
        entry.alternatives.forEach(({ id }) => unique(id));
        if (!entry.alternatives.some(({ id }) => id === entry.suggested))
          wrong(entry.id, `“${entry.prompt}” suggests an alternative that is not there.`);
      }
    for (const bundle of bundlesOf(section)) checkBundle(bundle);
    for (const line of linesOf(section)) checkLine(line);
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

/**
 * Everything about a document that its schema cannot say: references that lead nowhere, a schedule that does not work
 * out, quantities nobody has looked at.
 */
export function checkDocument(document: ProposalDocument): DocumentProblem[] {
  const problems = wrongParts(document);
  if (problems.length > 0) return problems;

  const figures = computeFigures(document);
  const open = (partId: string | null, message: string) => problems.push({ partId, message, weight: 'open' });
  const schedule = computeSchedule(document.schedule, figures.total, figures.minorDigits);
  for (const message of schedule.problems) open(null, message);
  if (!figures.sections.some((section) => section.lines.length > 0)) open(null, 'There are no lines yet.');
  if (figures.total < 0n) open(null, 'The total is below zero.');

  const look = (partId: string, message: string) => problems.push({ partId, message, weight: 'look' });
  for (const { section, space, lines, bundles } of figures.sections) {
    if (section.space && space?.trouble) open(section.id, `Space of “${section.title}”: ${space.trouble}`);
    for (const { line, trouble } of lines)
      if (trouble !== null) open(line.id, `Quantity of “${line.description}”: ${trouble}`);
    for (const { bundle, sized } of bundles.values()) {
      for (const { place, message } of sized.troubles)
        open(bundle.id, `“${bundle.name}”, ${place}: ${message}`);
      if (bundle.open) look(bundle.id, `“${bundle.name}”: ${bundle.open}`);
    }
  }
  for (const plan of document.plans ?? [])
    for (const traced of plan.traced) {
      const { trouble, doubt } = readTraced(traced, plan);
      if (trouble ?? doubt) look(traced.id, (trouble ?? doubt)!);
    }
  for (const section of document.sections)
    for (const line of linesOf(section)) {
      if (line.open) look(line.id, `“${line.description}”: ${line.open}`);
      const limits = line.extra?.quantity;
      if (limits && !fits(line.quantity, limits))
        open(
          line.id,
          `“${line.description}” is offered with ${line.quantity}, but the customer may set ${limits.minimum} to ${limits.maximum} in steps of ${limits.step}.`,
        );
      if (line.quantityOpen) look(line.id, `Quantity of “${line.description}” not looked at.`);
      else if (parseFixed(line.quantity) === 0n && !line.extra && line.formula === undefined)
        look(line.id, `Quantity of “${line.description}” is 0.`);
    }
  for (const section of document.sections)
    for (const entry of section.entries)
      if (entry.kind === 'question' && entry.alternatives.length < 2)
        look(entry.id, `“${entry.prompt}” offers only one alternative.`);
  return problems;
}
