import { pricedItem } from '@/core/editing';
import type { Transaction } from '@/data/connection';
import type { BundleMakeup, Recipe } from '@/model';
import { isId } from '@/model';
import { Problem } from '../problem';
import { itemOf } from '@/data/library/rows';
import { findRecipes } from '@/data/library/bundle';
import { findItemsByIds } from '@/data/library/item';

/** The items and bundles a recipe names. */
export function namedIn(recipe: Recipe): { readonly items: Set<string>; readonly bundles: Set<string> } {
  const items = new Set<string>();
  const bundles = new Set<string>();
  for (const part of recipe.parts) {
    if ('bundle' in part) bundles.add(part.bundle);
    else for (const key of [part.item, ...Object.values(part.grades ?? {})]) if (key !== null) items.add(key);
  }
  return { items, bundles };
}

/**
 * A recipe with everything in it, as a proposal takes it: the recipes of nested bundles at any depth and the items they
 * name, as the library has them now.
 * @param selfId the bundle the recipe is of: it may not stand in itself
 * @throws Problem `bundle-in-itself`, `bundle-too-deep`, `unknown-bundle`, `unknown-item`
 */
export async function makeupOf(tx: Transaction, recipe: Recipe, selfId?: string): Promise<BundleMakeup> {
  const within: Record<string, { name: string; recipe: Recipe }> = {};
  const itemIds = new Set<string>();
  let level: Recipe[] = [recipe];
  while (level.length > 0) {
    const wanted = new Set<string>();
    for (const each of level) {
      const named = namedIn(each);
      for (const id of named.items) itemIds.add(id);
      for (const id of named.bundles) {
        if (id === selfId)
          throw new Problem('bundle-in-itself', 'A bundle cannot stand in itself, not even inside another.');
        if (!Object.hasOwn(within, id)) wanted.add(id);
      }
    }
    if (wanted.size + Object.keys(within).length > 40)
      throw new Problem('bundle-too-deep', 'A bundle holds at most 40 others, counted through.');
    // A key that is no identity names nothing the library could have.
    const rows = wanted.size === 0 || ![...wanted].every(isId) ? [] : await findRecipes(tx, wanted);
    if (rows.length < wanted.size)
      throw new Problem('unknown-bundle', 'A bundle that is named here is not in the library.');
    for (const row of rows) within[row.id] = { name: row.name, recipe: row.recipe };
    level = rows.map((row) => row.recipe);
  }
  const ids = [...itemIds];
  const rows = ids.length === 0 || !ids.every(isId) ? [] : await findItemsByIds(tx, ids);
  if (rows.length < ids.length)
    throw new Problem('unknown-item', 'An item that is named here is not in the library.');
  return {
    recipe,
    within,
    items: Object.fromEntries(rows.map((row) => [row.id, pricedItem(itemOf(row))])),
  };
}
