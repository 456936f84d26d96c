import type { BundleMakeup, LibraryItem, PricedItem } from '@/model';
import type { Actor } from '../actor';
import { may } from '../actor';

/*
 * The library for those who write proposals with it and do not see what it costs.
 */

/** An item without what it costs or how its price is made. */
function bare<T extends PricedItem | LibraryItem>(item: T): T {
  const kept: Partial<T> = { ...item, costs: [] };
  for (const key of ['waste', 'pack', 'breaks', 'loads', 'markups'] as const)
    delete (kept as Partial<PricedItem>)[key];
  return kept as T;
}

/** An item as somebody may see it. */
export const itemFor = <T extends PricedItem | LibraryItem>(item: T, actor: Actor): T =>
  may(actor, 'cost') ? item : bare(item);

/** What a bundle is made of, as somebody may see it. */
export const makeupFor = (makeup: BundleMakeup, actor: Actor): BundleMakeup =>
  may(actor, 'cost')
    ? makeup
    : {
        ...makeup,
        items: Object.fromEntries(Object.entries(makeup.items).map(([key, item]) => [key, bare(item)])),
      };
