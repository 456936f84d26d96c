import type { LibraryItem, Line } from '@/model';

/**
 * A line taken from a library item: its costs are copied in, so that a later change of the library does not move the
 * proposal. Without a quantity it stands at 1 and is marked as not looked at.
 */
export function lineFromItem(item: LibraryItem, id: string, quantity: string | null): Line {
  return {
    kind: 'line',
    id,
    itemId: item.id,
    code: item.code,
    description: item.name,
    ...(item.detail === '' ? {} : { detail: item.detail }),
    unit: item.unit,
    quantity: quantity ?? '1',
    ...(quantity === null ? { quantityOpen: true } : {}),
    costs: item.costs,
    taxClass: item.taxClass,
    ...(item.costCode === '' ? {} : { costCode: item.costCode }),
  };
}

/** A line of one's own, without the library: costs are typed in later. */
export function plainLine(id: string, description: string, quantity: string | null, taxClass: string): Line {
  return {
    kind: 'line',
    id,
    description: description.slice(0, 200),
    unit: 'each',
    quantity: quantity ?? '1',
    ...(quantity === null ? { quantityOpen: true } : {}),
    costs: [],
    taxClass,
  };
}
