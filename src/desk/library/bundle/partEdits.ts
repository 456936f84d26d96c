import type { RecipePart } from '@/core/bundle';
import {
  renamed,
  withBundlePart,
  withFigurePart,
  withItemPart,
  withoutPartAt,
  withPartAt,
  withPartMoved,
} from '@/core/bundle';
import { pricedItem } from '@/core/editing';
import type { ItemPart, LibraryItem, Recipe } from '@/model';
import type { Found } from '../search';
import { readBundle } from '../search';
import type { Named } from './draft';

/** What is done to the parts of a bundle in work. */
export interface PartEdits {
  readonly set: (at: number, part: RecipePart) => void;
  readonly rename: (from: string, to: string) => void;
  readonly remove: (at: number) => void;
  readonly moveUp: (at: number) => void;
  /** Takes what was found in the library, or a figure, as one more part. */
  readonly add: (taken: Found | string) => void;
  /** The item of a part: what was found, or none (the part is a figure only). */
  readonly setItem: (at: number, part: ItemPart, taken: Found | string) => void;
  /** Knows an item from now on; its key in the recipe. */
  readonly learnItem: (item: LibraryItem) => string;
}

/**
 * The edits of a recipe's parts, each over what the recipe was at the time.
 * @param change takes the recipe that came of it
 * @param learn takes what else the recipe names now
 */
export function partEdits(
  recipe: Recipe,
  change: (recipe: Recipe) => void,
  learn: (more: Partial<Named>) => void,
): PartEdits {
  const learnItem = (item: LibraryItem) => {
    learn({ items: { [item.id]: pricedItem(item) } });
    return item.id;
  };
  const learnBundle = async (id: string) => {
    const { makeup, name } = await readBundle(id);
    learn({ items: makeup.items, within: { ...makeup.within, [id]: { name, recipe: makeup.recipe } } });
  };
  return {
    learnItem,
    set: (at, part) => change(withPartAt(recipe, at, part)),
    rename: (from, to) => change(renamed(recipe, from, to)),
    remove: (at) => change(withoutPartAt(recipe, at)),
    moveUp: (at) => change(withPartMoved(recipe, at, -1)),
    add: (taken) => {
      if (typeof taken === 'string') change(withFigurePart(recipe));
      else if (taken.kind === 'item') {
        learnItem(taken.item);
        change(withItemPart(recipe, taken.item));
      } else {
        void learnBundle(taken.bundle.id);
        change(withBundlePart(recipe, taken.bundle));
      }
    },
    setItem: (at, part, taken) => {
      const item = typeof taken !== 'string' && taken.kind === 'item' ? learnItem(taken.item) : null;
      change(withPartAt(recipe, at, { ...part, item }));
    },
  };
}
