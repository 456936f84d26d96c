import type {
  Allowance,
  Bundle,
  Discount,
  LevelChoice,
  Line,
  Load,
  Plan,
  PlanPoint,
  PricedItem,
  ProposalDocument,
  Question,
  Recipe,
  Section,
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

/** What is found wrong while a document is gone through, and what was seen of it so far. */
interface Findings {
  readonly document: ProposalDocument;
  /** Decimals of the document's currency. */
  readonly digits: number;
  readonly taxClasses: ReadonlySet<string>;
  readonly problems: DocumentProblem[];
  readonly ids: Set<string>;
  readonly measures: Set<string>;
}

function wrong({ problems }: Findings, partId: string | null, message: string): void {
  problems.push({ partId, message, weight: 'wrong' });
}

function unique(found: Findings, id: string): void {
  if (found.ids.has(id)) wrong(found, id, `Two parts carry the identity “${id}”.`);
  found.ids.add(id);
}

/** An amount of money can be paid: it has no more decimals than its currency. */
function payable(found: Findings, partId: string | null, name: string, amount: string): void {
  try {
    parseAmount(amount, found.digits);
  } catch (error) {
    if (!(error instanceof NotADecimal)) throw error;
    wrong(
      found,
      partId,
      `${name}: an amount in ${found.document.currency} has at most ${found.digits} decimals.`,
    );
  }
}

function checkDiscount(
  found: Findings,
  partId: string | null,
  name: string,
  discount: Discount | undefined,
): void {
  if (!discount) return;
  if ('amount' in discount) payable(found, partId, name, discount.amount);
  else if (parsePercent(discount.percent) > ONE)
    wrong(found, partId, `${name}: a discount cannot be more than 100 %.`);
}

/** Markup of a part; that of the whole stands with the terms. */
function checkLoads(found: Findings, partId: string, name: string, loads: readonly Load[] | undefined): void {
  for (const load of loads ?? [])
    if (load.base === 'price' && parsePercent(load.percent) >= ONE)
      wrong(found, partId, `“${name}”, ${load.name}: a share of the price must be below 100 %.`);
}

function checkPriced(found: Findings, partId: string, item: PricedItem): void {
  if (!found.taxClasses.has(item.taxClass))
    wrong(found, partId, `“${item.description}” names a tax class that is not there.`);
  if (item.minimumCharge !== undefined)
    payable(found, partId, `Minimum charge of “${item.description}”`, item.minimumCharge);
  checkLoads(found, partId, item.description, item.loads);
  if (item.pack !== undefined && parseFixed(item.pack) === 0n)
    wrong(found, partId, `“${item.description}”: a pack holds more than nothing.`);
}

function checkBundle(found: Findings, bundle: Bundle): void {
  unique(found, bundle.id);
  checkDiscount(found, bundle.id, `Discount on “${bundle.name}”`, bundle.discount);
  checkLoads(found, bundle.id, bundle.name, bundle.loads);
  for (const item of Object.values(bundle.items)) checkPriced(found, bundle.id, item);
  for (const change of Object.values(bundle.changes)) {
    if (change.item) checkPriced(found, bundle.id, change.item);
    checkLoads(found, bundle.id, bundle.name, change.loads ?? undefined);
    if (change.taxClass !== undefined && !found.taxClasses.has(change.taxClass))
      wrong(found, bundle.id, `“${bundle.name}” names a tax class that is not there.`);
  }
  for (const recipe of [bundle.recipe, ...Object.values(bundle.within).map(({ recipe }) => recipe)])
    for (const message of recipeProblems(recipe, bundle.items))
      wrong(found, bundle.id, `“${bundle.name}”: ${message}`);
}

function checkAllowance(found: Findings, line: Line, { amount, fee, rounds }: Allowance): void {
  const name = `Allowance “${line.description}”`;
  payable(found, line.id, name, amount);
  if (parsePercent(fee) >= ONE) wrong(found, line.id, `${name}: a fee is a share of the price below 100 %.`);
  if (line.discount) wrong(found, line.id, `${name}: an allowance is not discounted.`);
  if (line.extra?.quantity)
    wrong(found, line.id, `${name}: the customer cannot set the quantity of an allowance.`);
  for (const round of rounds) {
    for (const { id } of [round, ...round.questions, ...round.extras]) unique(found, id);
    for (const message of roundProblems(round, found.digits))
      wrong(found, line.id, `${name}, ${round.name}: ${message}`);
  }
}

function checkLine(found: Findings, line: Line): void {
  unique(found, line.id);
  checkPriced(found, line.id, line);
  const limits = line.extra?.quantity;
  if (limits && parseFixed(limits.minimum) > parseFixed(limits.maximum))
    wrong(found, line.id, `“${line.description}”: the smallest quantity is above the largest.`);
  if (limits && parseFixed(limits.step) === 0n)
    wrong(found, line.id, `“${line.description}”: the step must be above zero.`);
  checkDiscount(found, line.id, `Discount on “${line.description}”`, line.discount);
  if (line.allowance) checkAllowance(found, line, line.allowance);
  if ((line.omits || line.settles !== undefined) && !found.document.change)
    wrong(found, line.id, `“${line.description}” changes an agreement: that takes a change order.`);
  if (line.omits && parseFixed(line.omits.quantity) === 0n)
    wrong(found, line.id, `“${line.description}” leaves out nothing.`);
}

function checkQuestion(found: Findings, question: Question): void {
  const { id, prompt, alternatives, recommended } = question;
  unique(found, id);
  for (const alternative of alternatives) {
    unique(found, alternative.id);
    if (alternative.id === NONE)
      wrong(found, id, `No alternative of “${prompt}” can carry the identity “none”.`);
  }
  if (!isAnswer(question, question.suggested))
    wrong(found, id, `“${prompt}” suggests an alternative that is not there.`);
  if (recommended && !alternatives.some((each) => each.id === recommended.alternative))
    wrong(found, id, `“${prompt}” recommends an alternative that is not there.`);
}

function checkSection(found: Findings, section: Section): void {
  unique(found, section.id);
  checkDiscount(found, section.id, `Discount on “${section.title}”`, section.discount);
  checkLoads(found, section.id, section.title, section.loads);
  for (const question of questionsOf(section)) checkQuestion(found, question);
  for (const bundle of bundlesOf(section)) {
    checkBundle(found, bundle);
    for (const { id, description, allowance } of bundle.added)
      if (allowance) wrong(found, id, `Allowance “${description}”: stands on its own, not inside a bundle.`);
  }
  for (const line of linesOf(section)) checkLine(found, line);
}

function checkLevels(
  found: Findings,
  { id, prompt, levels, suggested, recommended, section }: LevelChoice,
): void {
  unique(found, id);
  const ids = new Set(levels.map((level) => level.id));
  if (ids.size < levels.length) wrong(found, id, `“${prompt}”: two levels carry the same identity.`);
  if (!ids.has(suggested)) wrong(found, id, `“${prompt}” suggests a level that is not there.`);
  if (recommended && !ids.has(recommended.level))
    wrong(found, id, `“${prompt}” recommends a level that is not there.`);
  if (section !== undefined && !found.document.sections.some((each) => each.id === section))
    wrong(found, id, `“${prompt}” is of a section that is not there.`);
}

function checkMeasure(found: Findings, id: string, name: string): void {
  if (found.measures.has(name)) wrong(found, id, `Two measures are called “${name}”.`);
  if (reservedNames.includes(name))
    wrong(found, id, `A measure cannot be called “${name}”: it means something in formulas.`);
  found.measures.add(name);
}

function checkPlan(found: Findings, plan: Plan): void {
  unique(found, plan.id);
  const inside = ([x, y]: PlanPoint) => x! <= plan.width && y! <= plan.height;
  for (const traced of plan.traced) {
    unique(found, traced.id);
    checkMeasure(found, traced.id, traced.name);
    if (traced.kind === 'area') checkMeasure(found, traced.id, edgeName(traced.name));
    if (!traced.figures.every(({ points }) => points.every(inside)))
      wrong(found, traced.id, `“${traced.label}” reaches outside the plan “${plan.name}”.`);
  }
  if (plan.scale && !(inside(plan.scale.from) && inside(plan.scale.to)))
    wrong(found, plan.id, `The scale of “${plan.name}” reaches outside the plan.`);
}

/** What stands over the sections: taxes, payments, fees, markup, the discount on the whole. */
function checkTerms(found: Findings): void {
  const { discount, taxClasses, schedule, fees, loads } = found.document;
  checkDiscount(found, null, 'Discount on the whole', discount);
  if (found.taxClasses.size < taxClasses.length)
    wrong(found, null, 'Two tax classes carry the same identity.');
  for (const taxClass of taxClasses) {
    const components = new Set(taxClass.components.map(({ id }) => id));
    if (components.size < taxClass.components.length)
      wrong(found, taxClass.id, `“${taxClass.name}” names a component twice.`);
  }
  for (const entry of schedule) {
    unique(found, entry.id);
    if ('amount' in entry.share) payable(found, entry.id, `Payment “${entry.name}”`, entry.share.amount);
  }
  for (const fee of fees) {
    unique(found, fee.id);
    if ('fixed' in fee.amount) payable(found, fee.id, `Fee “${fee.name}”`, fee.amount.fixed);
    else if (fee.amount.most !== undefined)
      payable(found, fee.id, `The most of the fee “${fee.name}”`, fee.amount.most);
    if (!found.taxClasses.has(fee.taxClass))
      wrong(found, fee.id, `The fee “${fee.name}” names a tax class that is not there.`);
  }
  for (const load of loads) {
    unique(found, load.id);
    if (load.base === 'price' && parsePercent(load.percent) >= ONE)
      wrong(found, load.id, `${load.name}: a share of the price must be below 100 %.`);
  }
}

/** What of a document cannot be stored: identities that clash, references that lead nowhere, rates that cannot be. */
export function validateDocument(document: ProposalDocument): DocumentProblem[] {
  const found: Findings = {
    document,
    digits: minorDigits(document.currency),
    taxClasses: new Set(document.taxClasses.map(({ id }) => id)),
    problems: [],
    ids: new Set(),
    measures: new Set(),
  };
  for (const section of document.sections) checkSection(found, section);
  for (const levels of document.tiers ?? []) checkLevels(found, levels);
  for (const { id, when, other } of document.rules ?? []) {
    unique(found, id);
    if (JSON.stringify(when) === JSON.stringify(other))
      wrong(found, id, 'A rule speaks of one choice and another.');
  }
  for (const { id, name } of document.measures ?? []) {
    unique(found, id);
    checkMeasure(found, id, name);
  }
  const rooms = new Set<string>();
  for (const { id, name } of document.rooms ?? []) {
    unique(found, id);
    if (rooms.has(name)) wrong(found, id, `Two rooms are called “${name}”.`);
    rooms.add(name);
  }
  for (const plan of document.plans ?? []) checkPlan(found, plan);
  checkTerms(found);
  return found.problems;
}
