import type { Dimension, Measuring, Space } from '@/model';
import { parseFixed } from '../number';
import { lengthShown, saysUnit } from './measuring';

/** A length in words: as it was typed where that names its unit, else in feet. */
const lengthInWords = ({ value, typed }: Dimension, measuring: Measuring): string =>
  typed !== undefined && saysUnit(typed) ? typed : lengthShown(parseFixed(value), measuring);

/** Sides one after the other; a bare one is in feet. */
function sidesInWords(walk: string): string {
  const sides = walk
    .trim()
    .split(/\s+[rl](?=\s|$)/i)
    .map((side) => side.trim())
    .filter((side) => side !== '');
  return `sides of ${sides.join(', ')}${sides.every((side) => /[a-z]$/i.test(side)) ? '' : ' ft'}`;
}

const openingsInWords = (openings: Space['openings']): string => {
  const count = openings.reduce((sum, opening) => sum + opening.count, 0);
  return count === 0 ? '' : `, ${count} ${count === 1 ? 'opening' : 'openings'}`;
};

/**
 * The dimensions behind a section in words: `16 ft by 14 ft, 8 ft high, 2 openings`; of an outline its sides, of what is traced
 * on a plan the name it has there.
 */
export function spaceInWords({ shape, height, openings }: Space, measuring: Measuring): string {
  const plan =
    shape.kind === 'rectangle'
      ? `${lengthInWords(shape.length, measuring)} by ${lengthInWords(shape.width, measuring)}`
      : shape.kind === 'traced'
        ? `“${shape.measure}” on the plan`
        : sidesInWords(shape.walk);
  return `${plan}${height === undefined ? '' : `, ${lengthInWords(height, measuring)} high`}${openingsInWords(openings)}`;
}
