import { inCompany } from '@/data/connection';
import type { Narrowing } from '@/data/library/search';
import { searchLibrary } from '@/data/library/search';
import type { LibraryBundle, LibraryItem } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { bundleOf, itemOf } from '@/data/library/rows';
import { itemFor } from './withoutCost';

/** Something of the library a search found. */
export type Found =
  | { readonly kind: 'item'; readonly item: LibraryItem }
  | { readonly kind: 'bundle'; readonly bundle: Omit<LibraryBundle, 'internalNote'> };

/**
 * The best items and bundles for a few letters, best first. Without letters: what is used often on this kind of section,
 * and what the person starred.
 */
export async function findInLibrary(
  actor: Actor,
  text: string,
  narrowing: Omit<Narrowing, 'userId'> = {},
  most = 8,
): Promise<Found[]> {
  allow(actor, 'propose', 'cost');
  if (text.length > 200) return [];
  return inCompany(actor, async (tx) =>
    (await searchLibrary(tx, text, { ...narrowing, userId: actor.userId }, most)).map((found): Found => {
      if (found.kind === 'item') return { kind: 'item', item: itemFor(itemOf(found.row), actor) };
      const { internalNote: _, ...bundle } = bundleOf(found.row);
      return { kind: 'bundle', bundle };
    }),
  );
}
