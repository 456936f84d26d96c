import { inCompany } from '@/data/connection';
import type { TradeCount } from '@/data/library/trades';
import { findOfTrade } from '@/data/library/ofTrade';
import { tradesOf } from '@/data/library/trades';
import type { Actor } from '../actor';
import { allow } from '../actor';
import type { Found } from './find';
import { bundleOf, itemOf } from '@/data/library/rows';
import { itemFor } from './withoutCost';

/** So many things of a trade are given at once. */
const MOST = 240;

export type LibraryTrade = TradeCount;

/** Things of a trade, and how many there are in all. */
export interface OfTrade {
  readonly found: readonly Found[];
  readonly all: { readonly bundles: number; readonly items: number };
}

/** The trades of the library, with how much there is of each. */
export async function listTrades(actor: Actor): Promise<LibraryTrade[]> {
  allow(actor, 'propose', 'cost');
  return inCompany(actor, tradesOf);
}

/**
 * What stands in a trade and has all the words: bundles, then items, each with what is used most (on such a section) first.
 * @param after so many were given before: the next of them
 */
export async function readTrade(
  actor: Actor,
  trade: string,
  {
    section,
    words = '',
    after = 0,
  }: { readonly section?: string | undefined; readonly words?: string; readonly after?: number } = {},
): Promise<OfTrade> {
  allow(actor, 'propose', 'cost');
  return inCompany(actor, async (tx) => {
    const { bundles, items, all } = await findOfTrade(tx, trade, {
      sectionTitle: section,
      words,
      after,
      most: MOST,
    });
    return {
      found: [
        ...bundles.map((row): Found => {
          const { internalNote: _, ...plain } = bundleOf(row);
          return { kind: 'bundle', bundle: plain };
        }),
        ...items.map((row): Found => ({ kind: 'item', item: itemFor(itemOf(row), actor) })),
      ],
      all,
    };
  });
}
