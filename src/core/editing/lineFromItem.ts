import type { LibraryItem, Line, PricedItem } from '@/model';
import { fitting } from '../text/fitting';

/** What of a library item makes its price, copied so that a later change of the library does not move a proposal. */
export function pricedItem(item: LibraryItem): PricedItem {
  return {
    itemId: item.id,
    code: item.code,
    description: item.name,
    unit: item.unit,
    costs: item.costs,
    ...(item.waste === undefined ? {} : { waste: item.waste }),
    ...(item.pack === undefined ? {} : { pack: item.pack }),
    ...(item.minimumCharge === undefined ? {} : { minimumCharge: item.minimumCharge }),
    ...(item.breaks === undefined ? {} : { breaks: item.breaks }),
    ...(item.loads === undefined ? {} : { loads: item.loads }),
    taxClass: item.taxClass,
    ...(item.costCode === '' ? {} : { costCode: item.costCode }),
    trade: item.trade,
  };
}

/** A line taken from a library item. Without a quantity it stands at 1 and is marked as not looked at. */
export function lineFromItem(item: LibraryItem, id: string, quantity: string | null): Line {
  return {
    kind: 'line',
    id,
    ...pricedItem(item),
    ...(item.detail === '' ? {} : { detail: item.detail }),
    quantity: quantity ?? '1',
    ...(quantity === null ? { quantityOpen: true } : {}),
  };
}

/**
 * A line of one's own, without the library: costs are typed in later.
 * @throws TooLong where the description is
 */
export function plainLine(id: string, description: string, quantity: string | null, taxClass: string): Line {
  return {
    kind: 'line',
    id,
    description: fitting(description, 200),
    unit: 'each',
    quantity: quantity ?? '1',
    ...(quantity === null ? { quantityOpen: true } : {}),
    costs: [],
    taxClass,
  };
}
