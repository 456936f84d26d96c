import type { Draft } from 'immer';
import { current, isDraft } from 'immer';
import type {
  Alternative,
  Bundle,
  Extra,
  Line,
  Load,
  PricedItem,
  ProposalDocument,
  Section,
  UnitCode,
} from '@/model';
import type { Scope } from '../formula';
import { formulaQuantity, knownFormula, namesIn } from '../formula';
import { roundFixed, writeFixed } from '../number';
import { measuresOf } from '../plan';
import { parseQuantity } from '../quantity/parseQuantity';
import { surroundingsOf } from '../space';
import { findBundle, findLine, findQuestion } from './find';
import { dropRulesOf } from './rules';
import { fitting } from '../text/fitting';

/*
 * Edits of a proposal document. Each changes the draft it is given (an immer draft on the desk, so that the change comes
 * out as patches and undo is the inverse patch) and touches nothing but the part it names.
 */

/** The part an edit names is not there (any more). */
export class PartGone extends Error {
  constructor(readonly partId: string) {
    super('That part is not there any more.');
    this.name = 'PartGone';
  }
}

function place(document: ProposalDocument, id: string) {
  const found = findLine(document, id);
  if (!found) throw new PartGone(id);
  return found;
}

/**
 * The section of an id.
 * @throws PartGone when it is not there
 */
export function sectionOf(document: ProposalDocument, id: string): Section {
  const found = document.sections.find((section) => section.id === id);
  if (!found) throw new PartGone(id);
  return found;
}

/** Puts a new, empty section at the end, or behind the one named. */
export function addSection(document: ProposalDocument, id: string, title: string, afterId?: string): void {
  const at = afterId === undefined ? -1 : document.sections.findIndex((section) => section.id === afterId);
  document.sections.splice(at < 0 ? document.sections.length : at + 1, 0, { id, title, entries: [] });
}

/** The line in a tax class of this proposal: its own where the proposal has it, else the proposal's first. */
export function taxedHere(document: ProposalDocument, line: Line): Line {
  const known = document.taxClasses.some(({ id }) => id === line.taxClass);
  return known ? line : { ...line, taxClass: document.taxClasses[0]!.id };
}

export const itemTaxedHere = (document: ProposalDocument, item: PricedItem): PricedItem =>
  document.taxClasses.some(({ id }) => id === item.taxClass)
    ? item
    : { ...item, taxClass: document.taxClasses[0]!.id };

/** A bundle whose items stand in tax classes of this proposal. */
export function bundleTaxedHere(document: ProposalDocument, bundle: Bundle): Bundle {
  return {
    ...bundle,
    items: Object.fromEntries(
      Object.entries(bundle.items).map(([key, item]) => [key, itemTaxedHere(document, item)]),
    ),
  };
}

/** Puts lines at the end of a section, or behind the entry named. */
export function addLines(
  document: ProposalDocument,
  sectionId: string,
  lines: readonly Line[],
  afterId?: string,
): void {
  const section = sectionOf(document, sectionId);
  const at = afterId === undefined ? -1 : section.entries.findIndex((entry) => entry.id === afterId);
  section.entries.splice(
    at < 0 ? section.entries.length : at + 1,
    0,
    ...lines.map((line) => taxedHere(document, line)),
  );
}

/** What a typed quantity is: a number, kept with its text where that says more, or a formula to follow. */
export interface TypedQuantity {
  readonly quantity: string;
  readonly quantityTyped?: string;
  readonly formula?: string;
}

/**
 * Reads a typed quantity. Text that uses a name is a formula; its value now is kept beside it.
 * @throws FormulaError for text that is neither, or a formula that comes to nothing here
 */
export function readTyped(typed: string, unit: UnitCode, scope: Scope): TypedQuantity {
  const text = typed.trim();
  const byName = /[A-Za-z_]{2,}/.test(text) && namesIn(knownFormula(text)).size > 0;
  if (byName) return { quantity: writeFixed(formulaQuantity(text, unit, scope)), formula: text };
  // A function without a name is computed once: there is nothing to follow.
  const calls = /[a-z]\s*\(/.test(text);
  const quantity = writeFixed(calls ? formulaQuantity(text, unit, scope) : parseQuantity(text));
  return text.replace(/,/g, '') === quantity ? { quantity } : { quantity, quantityTyped: text };
}

/** What the formulas of a section see, also while it is edited. */
export function scopeOf(document: ProposalDocument, section: Section): Scope {
  const plain = <Part extends object>(part: Part): Part =>
    isDraft(part) ? (current(part as Draft<Part>) as Part) : part;
  const { measures, plans } = document;
  return surroundingsOf(
    section.space && plain(section.space),
    measuresOf({
      ...(measures === undefined ? {} : { measures: plain(measures) }),
      ...(plans === undefined ? {} : { plans: plain(plans) }),
    }),
  ).scope;
}

/**
 * Sets a quantity from what was typed: a number, arithmetic, or a formula over the section's space and the measures.
 * Text that is more than the number itself is kept beside it.
 * @throws FormulaError for text that is no quantity
 */
export function setQuantity(document: ProposalDocument, lineId: string, typed: string): void {
  const { line, section } = place(document, lineId);
  const read = readTyped(typed, line.unit, scopeOf(document, section));
  delete line.quantityTyped;
  delete line.formula;
  delete line.quantityOpen;
  Object.assign(line, read);
}

/**
 * Types a unit cost over the library's; empty text goes back to the library's.
 * @throws FormulaError for text that is no number
 */
export function setCost(document: ProposalDocument, lineId: string, typed: string): void {
  const { line } = place(document, lineId);
  if (line.allowance) {
    if (line.allowance.rule === 'at our price')
      throw new RangeError('What it costs us follows from the amount to spend and the fee.');
    line.allowance.amount = writeFixed(parseQuantity(typed, 2));
    return;
  }
  if (typed.trim() === '') delete line.typedCost;
  else line.typedCost = writeFixed(parseQuantity(typed, 4));
}

/**
 * Holds a unit price typed by hand; empty text lets it follow the cost again. Of an allowance at our price it is the amount
 * to spend.
 * @throws RangeError where it is an allowance at cost
 * @throws FormulaError for text that is no number
 */
export function setPrice(document: ProposalDocument, lineId: string, typed: string): void {
  const { line } = place(document, lineId);
  if (line.allowance) {
    if (line.allowance.rule !== 'at our price')
      throw new RangeError('The price follows from the amount to spend and the fee.');
    line.allowance.amount = writeFixed(parseQuantity(typed, 2));
    return;
  }
  delete line.shapedPrice;
  if (typed.trim() === '') delete line.heldPrice;
  else line.heldPrice = writeFixed(roundFixed(parseQuantity(typed, 4), line.pricePlaces ?? 2));
}

/**
 * Sets the unit of a line of one's own; what the quantity says stays. A line of the library keeps the library's unit.
 * @throws RangeError for a line of the library
 */
export function setUnit(document: ProposalDocument, lineId: string, unit: UnitCode): void {
  const { line } = place(document, lineId);
  if (line.itemId !== undefined) throw new RangeError('The unit is the library’s.');
  line.unit = unit;
}

/** Sets what the line is called; empty text is ignored, a line always has a name. */
export function setDescription(document: ProposalDocument, lineId: string, text: string): void {
  const { line } = place(document, lineId);
  if (text.trim() !== '') line.description = fitting(text, 200);
}

/** Sets or clears an optional text of a line. */
export function setLineText(
  document: ProposalDocument,
  lineId: string,
  field: 'detail' | 'internalNote' | 'open' | 'phase',
  text: string,
): void {
  const { line } = place(document, lineId);
  const kept = fitting(text, field === 'open' ? 200 : field === 'phase' ? 60 : 2000);
  if (kept === '') delete line[field];
  else line[field] = kept;
}

/** Gives a line markup of its own, or (null) those of the proposal. */
export function setLoads(document: ProposalDocument, lineId: string, loads: Load[] | null): void {
  const { line } = place(document, lineId);
  if (loads === null) delete line.loads;
  else line.loads = loads;
}

/** Makes a line an extra, changes its terms, or (null) makes it plain work again. */
export function setExtra(document: ProposalDocument, lineId: string, extra: Extra | null): void {
  const { line } = place(document, lineId);
  if (extra === null) delete line.extra;
  else line.extra = extra;
}

/**
 * Takes out a line, a question, an alternative, a bundle or a section, with the rules between choices that speak of it.
 * The last alternative takes its question with it.
 */
export function removePart(document: ProposalDocument, id: string): void {
  dropRulesOf(document, new Set([id]));
  const section = document.sections.findIndex((candidate) => candidate.id === id);
  if (section >= 0) {
    document.sections.splice(section, 1);
    return;
  }
  const line = findLine(document, id);
  if (line) {
    line.list.splice(line.index, 1);
    return;
  }
  const bundle = findBundle(document, id);
  if (bundle) {
    bundle.list.splice(bundle.index, 1);
    return;
  }
  const question = findQuestion(document, id);
  if (question) {
    question.section.entries.splice(question.index, 1);
    return;
  }
  for (const candidate of document.sections)
    for (const [index, entry] of candidate.entries.entries()) {
      if (entry.kind !== 'question') continue;
      const at = entry.alternatives.findIndex((alternative) => alternative.id === id);
      if (at < 0) continue;
      if (entry.alternatives.length === 1) candidate.entries.splice(index, 1);
      else {
        entry.alternatives.splice(at, 1);
        if (entry.suggested === id) entry.suggested = entry.alternatives[0]!.id;
        if (entry.recommended?.alternative === id) delete entry.recommended;
      }
      return;
    }
  throw new PartGone(id);
}

/** Moves a section, or an entry within its section and past its ends into the next, by one place. */
export function moveBy(document: ProposalDocument, id: string, by: 1 | -1): void {
  const from = document.sections.findIndex((section) => section.id === id);
  if (from >= 0) {
    const to = from + by;
    if (to < 0 || to >= document.sections.length) return;
    const [section] = document.sections.splice(from, 1);
    document.sections.splice(to, 0, section!);
    return;
  }
  for (const [s, section] of document.sections.entries()) {
    const at = section.entries.findIndex((entry) => entry.id === id);
    if (at < 0) continue;
    const to = at + by;
    if (to >= 0 && to < section.entries.length) {
      const [entry] = section.entries.splice(at, 1);
      section.entries.splice(to, 0, entry!);
    } else {
      const neighbour = document.sections[s + by];
      if (!neighbour) return;
      const [entry] = section.entries.splice(at, 1);
      neighbour.entries.splice(by === 1 ? 0 : neighbour.entries.length, 0, entry!);
    }
    return;
  }
  const inner = findLine(document, id) ?? findBundle(document, id);
  if (!inner) throw new PartGone(id);
  const to = inner.index + by;
  if (to < 0 || to >= inner.list.length) return;
  const [line] = inner.list.splice(inner.index, 1);
  (inner.list as Line[]).splice(to, 0, line as Line);
}

/** Moves an entry to a place: before the entry `beforeId` of a section, or to its end. */
export function moveEntryTo(
  document: ProposalDocument,
  id: string,
  sectionId: string,
  beforeId: string | null,
): void {
  if (id === beforeId) return;
  const target = sectionOf(document, sectionId);
  const source = document.sections.find((section) => section.entries.some((entry) => entry.id === id));
  if (!source) throw new PartGone(id);
  const [entry] = source.entries.splice(
    source.entries.findIndex((candidate) => candidate.id === id),
    1,
  );
  const at = beforeId === null ? -1 : target.entries.findIndex((candidate) => candidate.id === beforeId);
  target.entries.splice(at < 0 ? target.entries.length : at, 0, entry!);
}

/** Moves a section before another, or to the end. */
export function moveSectionTo(document: ProposalDocument, id: string, beforeId: string | null): void {
  if (id === beforeId) return;
  const from = document.sections.findIndex((section) => section.id === id);
  if (from < 0) throw new PartGone(id);
  const [section] = document.sections.splice(from, 1);
  const at = beforeId === null ? -1 : document.sections.findIndex((candidate) => candidate.id === beforeId);
  document.sections.splice(at < 0 ? document.sections.length : at, 0, section!);
}

/** Turns a line into a question whose first, suggested alternative it is. */
export function askAbout(
  document: ProposalDocument,
  lineId: string,
  ids: { readonly question: string; readonly alternative: string },
): void {
  const { section, line, index, question, bundle } = place(document, lineId);
  if (question || bundle) return;
  const plain = { ...line };
  delete plain.extra;
  section.entries.splice(index, 1, {
    kind: 'question',
    id: ids.question,
    prompt: `Which ${line.description.charAt(0).toLowerCase()}${line.description.slice(1)}?`.slice(0, 200),
    alternatives: [{ id: ids.alternative, name: line.description, lines: [plain] }],
    suggested: ids.alternative,
  });
}

/** Adds an alternative to a question. */
export function addAlternative(
  document: ProposalDocument,
  questionId: string,
  alternative: Alternative,
): void {
  const found = findQuestion(document, questionId);
  if (!found) throw new PartGone(questionId);
  found.question.alternatives.push({
    ...alternative,
    lines: alternative.lines.map((inner) =>
      inner.kind === 'line' ? taxedHere(document, inner) : bundleTaxedHere(document, inner),
    ),
  });
}

/** Renames an alternative. */
export function setAlternative(
  document: ProposalDocument,
  questionId: string,
  alternativeId: string,
  change: { readonly name?: string; readonly detail?: string },
): void {
  const alternative = findQuestion(document, questionId)?.question.alternatives.find(
    ({ id }) => id === alternativeId,
  );
  if (!alternative) throw new PartGone(alternativeId);
  if (change.name !== undefined && change.name.trim() !== '') alternative.name = fitting(change.name, 200);
  if (change.detail !== undefined) {
    const detail = fitting(change.detail, 2000);
    if (detail === '') delete alternative.detail;
    else alternative.detail = detail;
  }
}

/** Renames a section or changes its texts. */
export function setSection(
  document: ProposalDocument,
  sectionId: string,
  change: {
    readonly title?: string;
    readonly text?: string;
    readonly internalNote?: string;
    readonly phase?: string;
  },
): void {
  const section = sectionOf(document, sectionId);
  if (change.title !== undefined && change.title.trim() !== '') section.title = fitting(change.title, 200);
  for (const field of ['text', 'internalNote', 'phase'] as const) {
    const text = change[field];
    if (text === undefined) continue;
    const kept = fitting(text, lengths[field]);
    if (kept === '') delete section[field];
    else section[field] = kept;
  }
}

const lengths = { text: 20_000, internalNote: 2000, phase: 60 } as const;

/** Retitles the proposal; empty text is ignored, a proposal always has a title. */
export function setTitle(document: ProposalDocument, text: string): void {
  const title = fitting(text, 200);
  if (title !== '') document.title = title;
}

/** Sets or clears a text of the whole proposal. */
export function setDocumentText(
  document: ProposalDocument,
  field: 'coverNote' | 'terms' | 'internalNote',
  text: string,
): void {
  const kept = fitting(text, field === 'internalNote' ? 5000 : 20_000);
  if (kept === '') delete document[field];
  else document[field] = kept;
}
