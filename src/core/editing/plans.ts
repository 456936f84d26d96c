import type { Measuring } from '@/model';
import { FormulaError } from '../formula';
import { inMeters, measuringOf } from '../space';
import type { Line, Measure, Plan, PlanFigure, PlanPoint, ProposalDocument, Space, Traced } from '@/model';
import { bundlesOf, linesOf } from '../choice';
import { namesIn, knownFormula, renamed, reservedNames } from '../formula';
import { edgeName } from '../plan';
import { writeFixed } from '../number';
import { parseQuantity } from '../quantity/parseQuantity';
import { PartGone } from './partGone';
import { readDimension } from './spaces';
import { fitting } from '../text/fitting';

/* Edits of plans, of what is traced on them, and of measures typed by hand. */

/**
 * The plan of an id.
 * @throws PartGone when it is not there
 */
export function planOf(document: ProposalDocument, planId: string): Plan {
  const found = document.plans?.find(({ id }) => id === planId);
  if (!found) throw new PartGone(planId);
  return found;
}

/**
 * What is traced under an identity on a plan.
 * @throws PartGone where there is no such part
 */
export function tracedOf(plan: Plan, tracedId: string): Traced {
  const found = plan.traced.find(({ id }) => id === tracedId);
  if (!found) throw new PartGone(tracedId);
  return found;
}

/** Every name that a measure of the proposal has, edges of areas included. */
export function takenNames(document: Pick<ProposalDocument, 'measures' | 'plans'>): Set<string> {
  const names = new Set((document.measures ?? []).map(({ name }) => name));
  for (const plan of document.plans ?? [])
    for (const traced of plan.traced) {
      names.add(traced.name);
      if (traced.kind === 'area') names.add(edgeName(traced.name));
    }
  return names;
}

/** A name for formulas out of a label: “Deck, rear” → `deck_rear`, and a number behind it where that is taken. */
export function nameFor(label: string, taken: ReadonlySet<string>): string {
  const plain = label
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^[_0-9]+|_+$/g, '')
    .slice(0, 30);
  const base = plain.length < 2 ? `m_${plain || 'measure'}` : plain;
  const free = (name: string) =>
    !taken.has(name) && !taken.has(edgeName(name)) && !reservedNames.includes(name);
  if (free(base)) return base;
  for (let n = 2; ; n += 1) if (free(`${base}_${n}`)) return `${base}_${n}`;
}

/** Units of a plan to a pixel of its picture. */
const UNITS_PER_PIXEL = 10;

/**
 * A plan of a picture that is kept, with nothing traced on it yet.
 * @param file its size in pixels
 */
export const planOfFile = (
  id: string,
  file: { readonly id: string; readonly name: string; readonly width: number; readonly height: number },
): Plan => ({
  id,
  name: file.name,
  file: file.id,
  width: file.width * UNITS_PER_PIXEL,
  height: file.height * UNITS_PER_PIXEL,
  traced: [],
});

/** Puts a plan behind those that are there. */
export function addPlan(document: ProposalDocument, plan: Plan): void {
  document.plans ??= [];
  document.plans.push(plan);
}

/** Takes a plan out, and with it what was traced on it. */
export function removePlan(document: ProposalDocument, planId: string): void {
  document.plans = (document.plans ?? []).filter(({ id }) => id !== planId);
}

/** Calls a plan by another name; an empty one changes nothing. */
export function setPlanName(document: ProposalDocument, planId: string, name: string): void {
  if (name.trim() !== '') planOf(document, planId).name = fitting(name, 200);
}

/** Shows a plan to the customer, with what is traced on it, or keeps it to us. */
export function setPlanShown(document: ProposalDocument, planId: string, shown: boolean): void {
  const plan = planOf(document, planId);
  if (shown) plan.shown = true;
  else delete plan.shown;
}

/**
 * Sets the scale: two points and the length between them as typed.
 * @throws FormulaError for text that is no length
 */
export function setScale(
  document: ProposalDocument,
  planId: string,
  from: PlanPoint,
  to: PlanPoint,
  typed: string,
): void {
  planOf(document, planId).scale = { from, to, length: readDimension(typed, measuringOf(document)) };
}

/** Begins a traced quantity with its first figure. */
export function addTraced(
  document: ProposalDocument,
  planId: string,
  traced: Pick<Traced, 'id' | 'kind' | 'label'>,
  figures: PlanFigure[],
): void {
  planOf(document, planId).traced.push({
    ...traced,
    name: nameFor(traced.label, takenNames(document)),
    figures,
  });
}

function* formulaPlaces(
  document: ProposalDocument,
): Generator<{ readonly text: string; readonly set: (text: string) => void }> {
  for (const section of document.sections) {
    for (const line of linesOf(section) as Iterable<Line>)
      if (line.formula !== undefined)
        yield { text: line.formula, set: (text) => void (line.formula = text.slice(0, 500)) };
    for (const bundle of bundlesOf(section))
      for (const [input, text] of Object.entries(bundle.values))
        yield { text, set: (next) => void (bundle.values[input] = next.slice(0, 500)) };
  }
}

function usesName(text: string, names: ReadonlySet<string>): boolean {
  try {
    return [...namesIn(knownFormula(text)).keys()].some((name) => names.has(name));
  } catch {
    return false;
  }
}

/** The dimensions of every section and room that has some. */
const spacesIn = ({ sections, rooms = [] }: ProposalDocument): Space[] =>
  [...sections, ...rooms].flatMap(({ space }) => (space ? [space] : []));

/** How many lines, inputs of bundles and spaces follow a measure or its edge. */
export function followersOf(document: ProposalDocument, name: string): number {
  const names = new Set([name, edgeName(name)]);
  let count = 0;
  for (const { text } of formulaPlaces(document)) if (usesName(text, names)) count += 1;
  for (const { shape } of spacesIn(document))
    if (shape.kind === 'traced' && shape.measure === name) count += 1;
  return count;
}

/** Gives a traced quantity another label, and with it another name; every formula that follows it is rewritten. */
export function renameTraced(
  document: ProposalDocument,
  planId: string,
  tracedId: string,
  label: string,
): void {
  const text = fitting(label, 200);
  if (text === '') return;
  const traced = tracedOf(planOf(document, planId), tracedId);
  const taken = takenNames(document);
  taken.delete(traced.name);
  taken.delete(edgeName(traced.name));
  const before = traced.name;
  const name = nameFor(text, taken);
  traced.label = text;
  if (name === before) return;
  traced.name = name;
  for (const { text: formula, set } of formulaPlaces(document)) {
    const next = renamed(renamed(formula, edgeName(before), edgeName(name)), before, name);
    if (next !== formula) set(next);
  }
  for (const { shape } of spacesIn(document))
    if (shape.kind === 'traced' && shape.measure === before) shape.measure = name;
}

/** Takes out a traced quantity. */
export function removeTraced(document: ProposalDocument, planId: string, tracedId: string): void {
  const plan = planOf(document, planId);
  plan.traced = plan.traced.filter(({ id }) => id !== tracedId);
}

/** Adds an outline, a run or a mark to a traced quantity. Marks of a count stand together in one figure. */
export function addFigure(
  document: ProposalDocument,
  planId: string,
  tracedId: string,
  figure: PlanFigure,
): void {
  const traced = tracedOf(planOf(document, planId), tracedId);
  const marks =
    traced.kind === 'count' ? traced.figures.find(({ points }) => points.length < 400) : undefined;
  if (marks) marks.points.push(...figure.points);
  else traced.figures.push(figure);
}

/**
 * Takes out one figure, or of a count one mark; a quantity without figures stays, at nothing.
 * @param figure from 0
 * @param point of a count: which mark, from 0
 * @throws PartGone where there is no such part
 */
export function removeFigure(
  document: ProposalDocument,
  planId: string,
  tracedId: string,
  figure: number,
  point?: number,
): void {
  const traced = tracedOf(planOf(document, planId), tracedId);
  const found = traced.figures[figure];
  if (!found) throw new PartGone(tracedId);
  if (point !== undefined && traced.kind === 'count' && found.points.length > 1)
    found.points.splice(point, 1);
  else traced.figures.splice(figure, 1);
}

/**
 * Moves one corner or mark.
 * @param figure from 0
 * @param point from 0
 * @throws PartGone where there is no such part
 */
export function movePoint(
  document: ProposalDocument,
  planId: string,
  tracedId: string,
  figure: number,
  point: number,
  to: PlanPoint,
): void {
  const points = tracedOf(planOf(document, planId), tracedId).figures[figure]?.points;
  if (!points?.[point]) throw new PartGone(tracedId);
  points[point] = to;
}

/**
 * Keeps a measure typed by hand; its label makes its name.
 * @returns the name
 * @throws FormulaError for text that is no quantity
 */
export function addMeasure(
  document: ProposalDocument,
  measure: Pick<Measure, 'id' | 'kind'>,
  label: string,
  typed: string,
): string {
  const name = nameFor(label, takenNames(document));
  document.measures ??= [];
  document.measures.push({ ...measure, name, ...typedValue(typed, measure.kind, measuringOf(document)) });
  return name;
}

function typedValue(
  typed: string,
  kind: Measure['kind'],
  measuring: Measuring,
): Pick<Measure, 'value' | 'typed'> {
  const text =
    measuring === 'us' || kind === 'count' ? typed.trim() : inMeters(typed, kind === 'length' ? 1 : 2);
  const unit = ({ length: 'ft', area: 'sqft', count: 'each' } as const)[kind];
  // What is typed in meters is no round number of feet.
  const value = parseQuantity(text, measuring === 'us' ? 3 : 6, { unit });
  if (value < 0n) throw new FormulaError('A length is not below zero.', 0);
  const written = writeFixed(value);
  return text === written ? { value: written } : { value: written, typed: text };
}

/**
 * Sets the value of a measure typed by hand.
 * @throws FormulaError for text that is no quantity
 * @throws PartGone where there is no such part
 */
export function setMeasure(document: ProposalDocument, measureId: string, typed: string): void {
  const measure = document.measures?.find(({ id }) => id === measureId);
  if (!measure) throw new PartGone(measureId);
  delete measure.typed;
  Object.assign(measure, typedValue(typed, measure.kind, measuringOf(document)));
}

/** Takes out a measure typed by hand. */
export function removeMeasure(document: ProposalDocument, measureId: string): void {
  document.measures = (document.measures ?? []).filter(({ id }) => id !== measureId);
}
