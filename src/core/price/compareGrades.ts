import type { Amount } from '../number';
import { subtractAmounts, sumAmounts } from '../number';
import type { BundleFigures, SectionLine } from './section';

/** A part that is not the same in two grades; null: it is not there. */
export interface GradeDifference {
  readonly id: string;
  readonly one: SectionLine | null;
  readonly other: SectionLine | null;
}

/** Two grades of a bundle beside one another. */
export interface GradeComparison {
  /** Parts that differ in what they are, how much, or what they cost; in the order they stand. */
  readonly differs: readonly GradeDifference[];
  /** Parts that are the same in both, and what they cost and come to. */
  readonly alike: { readonly count: number; readonly cost: Amount; readonly net: Amount };
  /** The other less the one. */
  readonly cost: Amount;
  readonly net: Amount;
}

const same = (one: SectionLine, other: SectionLine): boolean =>
  one.line.description === other.line.description &&
  one.line.unit === other.line.unit &&
  one.quantity === other.quantity &&
  one.costAmount === other.costAmount &&
  one.net === other.net;

/**
 * Compares a bundle in one grade with the same bundle in another, part by part.
 * @param one figures of the bundle in one grade
 * @param other of the same bundle, tried in the same place, in another
 */
export function compareGrades(one: BundleFigures, other: BundleFigures): GradeComparison {
  const others = new Map(other.lines.map((line) => [line.line.id, line]));
  const ones = new Set(one.lines.map(({ line }) => line.id));
  const differs: GradeDifference[] = [];
  const alike: SectionLine[] = [];
  for (const line of one.lines) {
    const twin = others.get(line.line.id) ?? null;
    if (twin && same(line, twin)) alike.push(line);
    else differs.push({ id: line.line.id, one: line, other: twin });
  }
  for (const line of other.lines)
    if (!ones.has(line.line.id)) differs.push({ id: line.line.id, one: null, other: line });
  return {
    differs,
    alike: {
      count: alike.length,
      cost: sumAmounts(alike.map(({ costAmount }) => costAmount)),
      net: sumAmounts(alike.map(({ net }) => net)),
    },
    cost: subtractAmounts(other.cost, one.cost),
    net: subtractAmounts(other.net, one.net),
  };
}
