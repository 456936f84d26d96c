import type { Opening, Space } from '@/model';

/** The dimensions of a section before any are typed. */
export const emptySpace: Space = {
  shape: { kind: 'rectangle', length: { value: '0' }, width: { value: '0' } },
  openings: [],
};

/** An outline to begin with, for who has not walked around one before: sides in feet, turning right and left. */
const FIRST_WALK = '16 r 10 r 6 l 5 r 10 r 15';

/**
 * A shape of another kind, to be filled in.
 * @param area the first area traced on a plan, where there is one
 */
export function shapeOfKind(kind: Space['shape']['kind'], area: string | undefined): Space['shape'] {
  if (kind === 'outline') return { kind, walk: FIRST_WALK };
  if (kind === 'traced') return { kind, measure: area ?? '' };
  return emptySpace.shape;
}

/** A usual door: 3 ft by 80 in. */
export const newOpening = (id: string): Opening => ({
  id,
  name: 'Door',
  width: { value: '3' },
  height: { value: '6.667', typed: '80in' },
  count: 1,
});

const MOST_ALIKE = 1000;

/**
 * How many openings there are alike, as it was typed.
 * @throws Error in words for what is no whole number from 1 to 1,000
 */
export function readCount(text: string): number {
  const count = Number(text);
  if (!Number.isInteger(count) || count < 1 || count > MOST_ALIKE)
    throw new Error(`A whole number from 1 to ${MOST_ALIKE.toLocaleString('en-US')}.`);
  return count;
}
