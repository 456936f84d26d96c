import type { Bundle, Line } from '@/model';
import type { Pricing } from './pricing';

/*
 * Prices that were computed elsewhere: who does not see cost prices their lines with them.
 */

/** The key of a line's price: its own identity; of a part, with the grade its bundle stands at. */
export const priceKey = (line: Pick<Line, 'id'>, bundle: Pick<Bundle, 'grade'> | null = null): string =>
  bundle ? `${line.id}@${bundle.grade ?? ''}` : line.id;

/**
 * The unit price a line was given, as decimal text; null: it has not come yet; undefined: it is priced by what it costs. An
 * allowance always is: its terms are all of it.
 */
export function givenPrice(
  line: Line,
  { given }: Pick<Pricing, 'given'>,
  bundle: Pick<Bundle, 'grade'> | null = null,
): string | null | undefined {
  if (!given || line.allowance) return undefined;
  const key = priceKey(line, bundle);
  return Object.hasOwn(given, key) ? given[key]! : null;
}
