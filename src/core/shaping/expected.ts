import type { Choices, Line, ProposalDocument, SectionEntry } from '@/model';
import { asSuggested } from '@/model';
import type { Amount, Fixed } from '../number';
import { parseFixed, writeAmount, writeFixed } from '../number';
import type { Figures, SectionLine } from '../price';
import { computeFigures } from '../price';
import { TargetError } from './goal';
import { costPrice, freeLines } from './free';
import { withPrices } from './prices';
import type { Shaped } from './shape';
import { shapePrices } from './shape';

/** What a proposal would bring if the quantities we expect are what is measured in the end, at the prices offered. */
export interface Expected {
  /** Lines whose expected quantity is not the offered one. */
  readonly lines: number;
  readonly offered: Outcome;
  readonly expected: Outcome;
}

/** Before tax. */
export interface Outcome {
  readonly revenue: Amount;
  readonly cost: Amount;
  readonly profit: Amount;
}

const outcome = ({ beforeTax, cost, profit }: Figures): Outcome => ({ revenue: beforeTax, cost, profit });

/** The expected quantity of a line; null where it is the offered one. */
function expectedOf({ line, quantity }: SectionLine): Fixed | null {
  if (line.expected === undefined) return null;
  const expected = parseFixed(line.expected);
  return expected === quantity ? null : expected;
}

/** The document as it would be measured: expected quantities at the unit prices offered. */
function asExpected(document: ProposalDocument, figures: Figures): ProposalDocument {
  const found = new Map(
    figures.sections.flatMap(({ lines }) =>
      lines.flatMap((line) => (expectedOf(line) === null ? [] : [[line.line.id, line] as const])),
    ),
  );
  if (found.size === 0) return document;
  const measured = (line: Line): Line => {
    const at = found.get(line.id);
    if (!at) return line;
    const { formula: _, quantityTyped: __, shapedPrice: ___, ...plain } = line;
    // What was offered by the unit stays, also where the cost of more or less of it would be another.
    return { ...plain, quantity: line.expected!, heldPrice: writeFixed(at.unitPrice) };
  };
  const entry = (given: SectionEntry): SectionEntry =>
    given.kind === 'line'
      ? measured(given)
      : given.kind === 'bundle'
        ? given
        : {
            ...given,
            alternatives: given.alternatives.map((alternative) => ({
              ...alternative,
              lines: alternative.lines.map((each) => (each.kind === 'line' ? measured(each) : each)),
            })),
          };
  return {
    ...document,
    sections: document.sections.map((section) => ({ ...section, entries: section.entries.map(entry) })),
  };
}

/**
 * Revenue, cost and profit as offered, and as they would be at the expected quantities; null where nothing else is
 * expected than what is offered. Extras whose quantity the customer sets count as they stand.
 */
export function expectedOutcome(document: ProposalDocument, choices: Choices = asSuggested): Expected | null {
  const figures = computeFigures(document, choices);
  const lines = figures.sections
    .flatMap((section) => section.lines)
    .filter((line) => line.included && expectedOf(line) !== null).length;
  if (lines === 0) return null;
  return {
    lines,
    offered: outcome(figures),
    expected: outcome(computeFigures(asExpected(document, figures), choices)),
  };
}

/**
 * The same offered total with other weights: lines that will shrink go down to their cost and no lower, lines that will
 * grow carry the difference, by their price now. Held prices and all other lines stay. A preview; nothing is changed.
 *
 * @throws TargetError when no line will shrink, or none will grow, that may move
 */
export function reweighted(document: ProposalDocument, choices: Choices = asSuggested): Shaped {
  const figures = computeFigures(document, choices);
  const free = freeLines(figures);
  const change = (line: SectionLine) => {
    const expected = expectedOf(line);
    return expected === null ? 0n : expected - line.quantity;
  };
  const shrinking = free.filter(
    (line) => change(line.figures) < 0n && costPrice(line) < line.figures.unitPrice,
  );
  const growing = free.filter(({ figures: line }) => change(line) > 0n);
  if (shrinking.length === 0)
    throw new TargetError('No line is expected to shrink whose price could go down.');
  if (growing.length === 0)
    throw new TargetError('No line is expected to grow that could carry the difference.');
  const lowered = withPrices(document, new Map(shrinking.map((line) => [line.id, costPrice(line)])));
  const target = { kind: 'total' as const, amount: writeAmount(figures.total, figures.minorDigits) };
  const carry = (from: ProposalDocument, lines: readonly { readonly id: string }[]): Shaped =>
    shapePrices(from, { target, spread: 'price', on: new Set(lines.map(({ id }) => id)) }, choices);
  const size = (amount: bigint) => (amount < 0n ? -amount : amount);
  let shaped = carry(lowered, growing);
  const priceNow = new Map(free.map((line) => [line.id, line]));
  const aboveCost = ({ figures: after }: Shaped): boolean =>
    after.sections.every(({ lines }) =>
      lines.every(({ line: { id }, unitPrice }) => {
        const was = priceNow.get(id);
        return !was || unitPrice >= was.figures.unitPrice || unitPrice >= costPrice(was);
      }),
    );
  // Cents that no unit price of the growing lines can carry go on those that shrink, and then on any.
  for (const wider of [[...growing, ...shrinking], free]) {
    if (shaped.missing === 0n) break;
    try {
      const next = carry(shaped.document, wider);
      if (size(next.missing) < size(shaped.missing) && aboveCost(next))
        shaped = { ...next, moves: joined(shaped.moves, next.moves) };
    } catch (error) {
      if (!(error instanceof TargetError)) throw error;
    }
  }
  return {
    ...shaped,
    moves: joined(
      shrinking.map((line) => ({
        id: line.id,
        description: line.figures.line.description,
        before: line.figures.unitPrice,
        after: costPrice(line),
      })),
      shaped.moves,
    ),
  };
}

/** Moves one after the other, each line once. */
function joined(first: Shaped['moves'], then: Shaped['moves']): Shaped['moves'] {
  const before = new Map(first.map((move) => [move.id, move.before]));
  const later = new Set(then.map(({ id }) => id));
  return [
    ...first.filter(({ id }) => !later.has(id)),
    ...then.map((move) => ({ ...move, before: before.get(move.id) ?? move.before })),
  ];
}
