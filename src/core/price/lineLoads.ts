import { memoLast } from '../collections/memoByIdentity';
import type { CostType, Line, Load, Markups } from '@/model';
import { costTypes } from '@/model';
import { costTypeName } from '../text/names';

const markupOn = (type: CostType, percent: string): Load => ({
  id: `markup-${type}`,
  name: `Markup, ${costTypeName(type)}`,
  kind: 'profit',
  percent,
  base: 'direct',
  costTypes: [type],
});

/** Loads that leave alone the types that have a markup of their own, and behind them one load for each of those. */
const withMarkups = memoLast((markups: Markups, loads: readonly Load[]): readonly Load[] => [
  ...loads.flatMap((load): Load[] => {
    const left = (load.costTypes ?? costTypes).filter((type) => markups[type] === undefined);
    return left.length === 0 ? [] : [{ ...load, costTypes: left }];
  }),
  ...costTypes.flatMap((type) => {
    const percent = markups[type];
    return percent === undefined ? [] : [markupOn(type, percent)];
  }),
]);

/**
 * The loads a line is priced with where they are not those of the proposal as they are; null where they are. Nearest
 * first: its own, those around it (its bundle's, its section's), the proposal's; a cost type with a markup of its own on
 * the line carries that in place of them.
 * @param around loads of the bundle or section it is in, where they have their own
 */
export function loadsOfLine(
  line: Pick<Line, 'loads' | 'markups'>,
  around: readonly Load[] | undefined,
  proposal: readonly Load[],
): readonly Load[] | null {
  const nearest = line.loads ?? around;
  return line.markups ? withMarkups(line.markups, nearest ?? proposal) : (nearest ?? null);
}
