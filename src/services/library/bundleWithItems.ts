import { inCompany } from '@/data/connection';
import type { BundleInLibrary, ItemInput, LibraryItem, Recipe } from '@/model';
import { BundleWithItems } from '@/model';
import type { Actor } from '../actor';
import { allow, newId } from '../actor';
import { check } from '../check';
import { refuseUnknownFile } from '../files/keep';
import { Problem } from '../problem';
import type { BundleWithMakeup } from './bundles';
import { insertNewBundle } from './bundles';
import { insertNew } from './items';
import { isTaken } from '../taken';

export interface BundleAndItems {
  readonly bundle: BundleWithMakeup;
  /** The items it brought, by the key they came under. */
  readonly items: Readonly<Record<string, LibraryItem>>;
}

/** A recipe that names items by the ids they got. */
const withIds = (recipe: Recipe, ids: ReadonlyMap<string, string>): Recipe => {
  const idOf = (key: string) => ids.get(key) ?? key;
  return {
    ...recipe,
    parts: recipe.parts.map((part) =>
      'bundle' in part
        ? part
        : {
            ...part,
            item: part.item === null ? null : idOf(part.item),
            ...(part.grades
              ? {
                  grades: Object.fromEntries(
                    Object.entries(part.grades).map(([grade, key]) => [
                      grade,
                      key === null ? null : idOf(key),
                    ]),
                  ),
                }
              : {}),
          },
    ),
  };
};

/**
 * Puts a new bundle into the library together with the items it needs that are not there yet: all of it or nothing.
 * @param input the bundle, and the new items by the keys its parts name them with
 * @throws Problem `code-taken`
 */
export async function addBundleWithItems(actor: Actor, input: unknown): Promise<BundleAndItems> {
  allow(actor, 'library', 'propose');
  allow(actor, 'cost');
  const { bundle, items } = check(BundleWithItems, input, 'The bundle');
  let code = bundle.code;
  try {
    return await inCompany(actor, async (tx) => {
      const pictures = Object.values(items).flatMap(({ picture }) => picture ?? []);
      if (pictures.length > 0) await refuseUnknownFile(tx, pictures);
      const ids = new Map<string, string>();
      const kept = new Map<string, ItemInput>();
      for (const [key, item] of Object.entries(items)) {
        const id = newId(actor.now);
        ids.set(key, id);
        code = item.code;
        kept.set(key, await insertNew(tx, actor, id, item));
      }
      code = bundle.code;
      const wanted: BundleInLibrary = { ...bundle, recipe: withIds(bundle.recipe, ids) };
      const made = await insertNewBundle(tx, actor, wanted);
      return {
        bundle: made,
        items: Object.fromEntries(
          [...kept].map(([key, { internalNote: _, supplierNote: __, ...item }]) => [
            key,
            { ...item, id: ids.get(key)! },
          ]),
        ),
      };
    });
  } catch (error) {
    if (isTaken(error)) throw new Problem('code-taken', `The code ${code} is taken in the library.`);
    throw error;
  }
}
