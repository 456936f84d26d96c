import type { Dimension, Space } from '@/model';
import { parseFixed, showQuantity } from '../number';

/** A length in words: as it was typed where that names its unit, else in feet. */
const lengthInWords = ({ value, typed }: Dimension): string =>
  typed !== undefined && /['"a-z]/i.test(typed) ? typed : `${showQuantity(parseFixed(value))} ft`;

const openingsInWords = (openings: Space['openings']): string => {
  const count = openings.reduce((sum, opening) => sum + opening.count, 0);
  return count === 0 ? '' : `, ${count} ${count === 1 ? 'opening' : 'openings'}`;
};

/**
 * The dimensions behind a section in words: `16 ft by 14 ft, 8 ft high, 2 openings`; of an outline its sides, of what is traced
 * on a plan the name it has there.
 */
export function spaceInWords({ shape, height, openings }: Space): string {
  const plan =
    shape.kind === 'rectangle'
      ? `${lengthInWords(shape.length)} by ${lengthInWords(shape.width)}`
      : shape.kind === 'traced'
        ? `“${shape.measure}” on the plan`
        : `sides of ${shape.walk
            .trim()
            .split(/\s+[rl](?=\s|$)/i)
            .map((side) => side.trim())
            .filter((side) => side !== '')
            .join(', ')} ft`;
  return `${plan}${height === undefined ? '' : `, ${lengthInWords(height)} high`}${openingsInWords(openings)}`;
}
