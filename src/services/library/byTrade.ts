import { inCompany } from '@/data/connection';
import type { TradeCount } from '@/data/library/trades';
import { findOfTrade } from '@/data/library/ofTrade';
import { tradesOf } from '@/data/library/trades';
import type { Actor } from '../actor';
import type { Found } from './find';
import { bundleOf, itemOf } from '@/data/library/rows';

/** How many things of a trade are listed at most; whoever wants more searches. */
const MOST = 240;

export type LibraryTrade = TradeCount;

/** The trades of the library, with how much there is of each. */
export const listTrades = (actor: Actor): Promise<LibraryTrade[]> => inCompany(actor.companyId, tradesOf);

/** What stands in a trade: bundles, then items, each with what is used most (on such a section) first. */
export async function readTrade(actor: Actor, trade: string, sectionTitle?: string): Promise<Found[]> {
  return inCompany(actor.companyId, async (tx) => {
    const { bundles, items } = await findOfTrade(tx, trade, { sectionTitle, most: MOST });
    return [
      ...bundles.map((row): Found => {
        const { internalNote: _, ...plain } = bundleOf(row);
        return { kind: 'bundle', bundle: plain };
      }),
      ...items.map((row): Found => ({ kind: 'item', item: itemOf(row) })),
    ];
  });
}
