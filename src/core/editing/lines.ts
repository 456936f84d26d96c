import type { Extra, Line, ProposalDocument, UnitCode } from '@/model';
import { roundFixed, writeFixed } from '../number';
import { parseQuantity } from '../quantity/parseQuantity';
import { fitting } from '../text/fitting';
import { place, sectionOf } from './partGone';
import { taxedHere } from './taxClasses';
import { readTyped, scopeOf } from './typedQuantity';

/*
 * Edits of a proposal document. Each changes the draft it is given (an immer draft on the desk, so that the change comes
 * out as patches and undo is the inverse patch) and touches nothing but the part it names.
 */

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

/**
 * Sets a quantity from what was typed: a number, arithmetic, or a formula over the section's space and the measures.
 * Text that is more than the number itself is kept beside it.
 * @throws FormulaError for text that is no quantity
 */
export function setQuantity(document: ProposalDocument, lineId: string, typed: string): void {
  const { line, section } = place(document, lineId);
  const read = readTyped(typed, line.unit, scopeOf(document, section, line));
  delete line.quantityTyped;
  delete line.formula;
  delete line.quantityOpen;
  Object.assign(line, read);
}

/**
 * Types a unit cost over the library's; empty text goes back to the library's.
 * @throws FormulaError for text that is no number
 * @throws RangeError in words, for what is out of bounds
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
  field: 'detail' | 'internalNote' | 'crewNote' | 'open' | 'phase',
  text: string,
): void {
  const { line } = place(document, lineId);
  const kept = fitting(text, field === 'open' ? 200 : field === 'phase' ? 60 : 2000);
  if (kept === '') delete line[field];
  else line[field] = kept;
}

/** Gives a line a picture for the customer, or (null) none. */
export function setLinePicture(document: ProposalDocument, lineId: string, picture: string | null): void {
  const { line } = place(document, lineId);
  if (picture === null) delete line.picture;
  else line.picture = picture;
}

/** Labour of a line by the hour at the overtime rate, or at the normal one. */
export function setOvertime(document: ProposalDocument, lineId: string, overtime: boolean): void {
  const { line } = place(document, lineId);
  if (overtime) line.overtime = true;
  else delete line.overtime;
}

/** Makes a line an extra, changes its terms, or (null) makes it plain work again. */
export function setExtra(document: ProposalDocument, lineId: string, extra: Extra | null): void {
  const { line } = place(document, lineId);
  if (extra === null) delete line.extra;
  else line.extra = extra;
}
