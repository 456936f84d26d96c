import type { Dimension, Measure, Measuring, Space } from '@/model';
import { FormulaError, evaluate, measuredAs, readFormula, toPlaces } from '../formula';
import type { Fixed, Ratio } from '../number';
import { reduced, showQuantity, writeFixed } from '../number';
import { exactFeet } from './exactFeet';

/*
 * Sizes are kept in feet. Who works in meters types and reads them in meters; a bare number typed then gets its unit, so that
 * the document says the same wherever it is read.
 */

/** In what a document is measured. */
export const measuringOf = ({ measuring }: { readonly measuring?: 'metric' }): Measuring => measuring ?? 'us';

/** Millimeters of a length and tenths of square decimeters of an area are more than anybody builds by. */
const places = [3, 3, 2, 3];

/**
 * A size in words: “12.5 ft”, “3.81 m”, “18 m²”.
 * @param ratio exact, in feet to the exponent
 * @param exponent 1 a length, 2 an area, 3 a volume
 */
export function sizeInWords(ratio: Ratio, exponent: number, measuring: Measuring): string {
  const shown = measuredAs(ratio, exponent, measuring);
  return `${showQuantity(toPlaces(shown.ratio, measuring === 'us' ? 3 : (places[exponent] ?? 3)))}${shown.unit}`;
}

const known = (fixed: Fixed): Ratio => reduced(fixed, 1_000_000n);

/**
 * A length in words: “62 ft”, “18.898 m”.
 * @param feet to six places
 */
export const lengthShown = (feet: Fixed, measuring: Measuring): string =>
  sizeInWords(known(feet), 1, measuring);

/**
 * An area in words: “240 sq ft”, “22.3 m²”.
 * @param squareFeet to six places
 */
export const areaShown = (squareFeet: Fixed, measuring: Measuring): string =>
  sizeInWords(known(squareFeet), 2, measuring);

/** Does a typed size say its unit, or what stands for one? */
export const saysUnit = (text: string): boolean => /['"′″²³a-z]/i.test(text);

/**
 * A size as it was typed, with its unit where a bare number means meters. Arithmetic of bare numbers is what it comes to.
 * @param exponent 1 a length, 2 an area
 */
export function inMeters(typed: string, exponent: 1 | 2): string {
  const text = typed.trim();
  if (saysUnit(text)) return text;
  const unit = exponent === 1 ? 'm' : 'm2';
  if (/^\d+(\.\d+)?$/.test(text)) return `${text} ${unit}`;
  try {
    const value = evaluate(readFormula(text, { names: false }), () => undefined);
    if (value.kind === 'number' && value.exponent === 0)
      return `${writeFixed(toPlaces(value.ratio, 6))} ${unit}`;
  } catch (error) {
    if (!(error instanceof FormulaError)) throw error;
    // Whoever reads it says what is wrong with it.
  }
  return text;
}

/** A kept size in its field: as it was typed where that says its unit, else in meters. */
function inItsField(typed: string | undefined, exact: Ratio, exponent: 1 | 2): string {
  if (typed !== undefined && saysUnit(typed)) return typed;
  const { ratio } = measuredAs(exact, exponent, 'metric');
  return `${writeFixed(toPlaces(ratio, 4))} ${exponent === 1 ? 'm' : 'm2'}`;
}

/** What a length shows in its cell: what was typed, or the number; with its unit in meters. */
export function typedDimension(dimension: Dimension | undefined, measuring: Measuring): string {
  if (!dimension) return '';
  if (measuring === 'us') return dimension.typed ?? dimension.value;
  return inItsField(dimension.typed, exactFeet(dimension), 1);
}

/** What a measure typed by hand shows in its cell. */
export function typedMeasure({ kind, value, typed }: Measure, measuring: Measuring): string {
  if (measuring === 'us' || kind === 'count') return typed ?? value;
  return inItsField(typed, exactFeet({ value }), kind === 'length' ? 1 : 2);
}

const turned = /(\s+[rl](?=\s|$)\s*)/i;

/** An outline as it was typed where a bare side means meters. */
export const walkInMeters = (walk: string): string =>
  walk
    .trim()
    .split(turned)
    .map((part, at) => (at % 2 === 0 && part.trim() !== '' ? inMeters(part, 1).replace(/\s+m$/, 'm') : part))
    .join('');

/** What an outline shows in its field: in meters, sides kept in feet say so. */
export const typedWalk = (
  shape: Extract<Space['shape'], { kind: 'outline' }>,
  measuring: Measuring,
): string =>
  measuring === 'us'
    ? shape.walk
    : shape.walk
        .split(turned)
        .map((part, at) =>
          at % 2 === 0 && /^\s*[\d.]+\s*$/.test(part) ? part.replace(/([\d.]+)/, '$1ft') : part,
        )
        .join('');
