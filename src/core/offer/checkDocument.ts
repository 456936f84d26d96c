import type { Discount, Line, ProposalDocument } from '@/model';
import { fits, linesOf } from '../choice';
import { NotADecimal, ONE, minorDigits, parseAmount, parseFixed, parsePercent } from '../number';
import { computeFigures } from '../price';
import { computeSchedule } from '../schedule';

/** Something in a document that a person has to mend or look at; `partId` names the place. */
export interface DocumentProblem {
  readonly partId: string | null;
  readonly message: string;
  /** `wrong`: the document cannot be stored. `open`: it can, but not be sent. `look`: worth a look before sending. */
  readonly weight: 'wrong' | 'open' | 'look';
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
  const checkLine = (line: Line) => {
    unique(line.id);
    if (!taxClasses.has(line.taxClass))
      wrong(line.id, `“${line.description}” names a tax class that is not there.`);
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
    for (const line of linesOf(section)) checkLine(line);
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

  for (const section of document.sections)
    for (const line of linesOf(section)) {
      const limits = line.extra?.quantity;
      if (limits && !fits(line.quantity, limits))
        open(
          line.id,
          `“${line.description}” is offered with ${line.quantity}, but the customer may set ${limits.minimum} to ${limits.maximum} in steps of ${limits.step}.`,
        );
      if (line.quantityOpen)
        problems.push({
          partId: line.id,
          message: `Quantity of “${line.description}” not looked at.`,
          weight: 'look',
        });
      else if (parseFixed(line.quantity) === 0n && !line.extra)
        problems.push({
          partId: line.id,
          message: `Quantity of “${line.description}” is 0.`,
          weight: 'look',
        });
    }
  for (const section of document.sections)
    for (const entry of section.entries)
      if (entry.kind === 'question' && entry.alternatives.length < 2)
        problems.push({
          partId: entry.id,
          message: `“${entry.prompt}” offers only one alternative.`,
          weight: 'look',
        });
  return problems;
}
