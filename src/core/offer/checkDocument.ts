import type { ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import {
  brokenRules,
  fits,
  linesOf,
  menuOf,
  nameOfPick,
  neverInWords,
  neverPicked,
  ruleInWords,
} from '../choice';
import { parseFixed } from '../number';
import { readTraced } from '../plan';
import { computeFigures } from '../price';
import { computeSchedule } from '../schedule';
import { showDate } from '../text/dates';
import { misread } from './misread';
import { remarksOn } from './remarks';
import { troublesOf } from './troubles';
import { levelsSideBySide } from './levelsSideBySide';
import type { DocumentProblem } from './validateDocument';
import { validateDocument } from './validateDocument';

export type { DocumentProblem } from './validateDocument';
export { recipeProblems } from './validateDocument';

/** Decisions whose day is over before the customer gets them. */
export function pastDays(document: ProposalDocument, today: string): DocumentProblem[] {
  return untilsOf(document)
    .filter(({ until }) => until && until < today)
    .map(({ id, name, until }) => ({
      partId: id,
      message: `“${name}” could be decided until ${showDate(until!)}, which is over. Choose a later day, or none.`,
      weight: 'open' as const,
    }));
}

/** Everything that is to be decided, with its last day. */
function untilsOf(document: ProposalDocument) {
  const menu = menuOf(document);
  return [
    ...menu.extras.map(({ id, name, extra }) => ({ id, name, until: extra.until })),
    ...menu.questions,
    ...menu.tiers,
  ];
}

/**
 * Everything about a document that its schema cannot say: references that lead nowhere, a schedule that does not work
 * out, quantities nobody has looked at.
 */
export function checkDocument(document: ProposalDocument): DocumentProblem[] {
  const problems = validateDocument(document);
  if (problems.length > 0) return problems;

  problems.push(...misread(document));
  const figures = computeFigures(document);
  const open = (partId: string | null, message: string) => problems.push({ partId, message, weight: 'open' });
  const schedule = computeSchedule(document.schedule, figures.total, figures.minorDigits);
  if (!document.change) for (const message of schedule.problems) open(null, message);
  if (!figures.sections.some((section) => section.lines.length > 0)) open(null, 'There are no lines yet.');
  if (figures.total < 0n && !document.change) open(null, 'The total is below zero.');

  const look = (partId: string, message: string) => problems.push({ partId, message, weight: 'look' });
  for (const { partId, message } of troublesOf(figures)) open(partId, message);
  for (const { lines, bundles } of figures.sections) {
    for (const figured of lines) {
      const { line } = figured;
      for (const remark of remarksOn(figured)) look(line.id, `“${line.description}” ${remark}.`);
    }
    for (const { bundle } of bundles.values()) {
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
      if (line.quantityOpen) look(line.id, `Quantity of “${line.description}” not confirmed.`);
      else if (parseFixed(line.quantity) === 0n && !line.extra && line.formula === undefined)
        look(line.id, `Quantity of “${line.description}” is 0.`);
    }
  const menu = menuOf(document);
  for (const { id, name, until } of untilsOf(document))
    if (until && document.validUntil && until > document.validUntil)
      look(id, `“${name}” can be decided until ${showDate(until)}, after the prices have lapsed.`);
  for (const { id, name, answers } of menu.questions)
    if (answers.length < 2) look(id, `“${name}” offers only one alternative.`);
  for (const tiers of document.tiers ?? [])
    if (levelsSideBySide(document, tiers).rows.length === 0)
      look(tiers.id, `The levels of “${tiers.prompt}” are all alike.`);
  for (const rule of menu.rules)
    if (nameOfPick(rule.when, menu) === null || nameOfPick(rule.other, menu) === null)
      open(rule.id, 'A rule between choices speaks of something that is not offered any more.');
  for (const never of neverPicked(menu)) open(never.rules[0]?.id ?? null, neverInWords(never, menu));
  for (const rule of brokenRules(menu, asSuggested))
    open(rule.id, `As suggested, this does not go: ${ruleInWords(rule, menu)}`);
  return problems;
}
