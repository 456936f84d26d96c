import { inCompany } from '@/data/connection';
import { searchItems as search } from '@/data/library/search';
import type { LibraryItem } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { itemOf } from '@/data/library/rows';
import { itemFor } from './withoutCost';
import { findItemsByTrade } from '@/data/library/item';
import { findTemplates } from '@/data/library/template';

/** The best items for a few letters, best first. */
export async function findItems(actor: Actor, text: string, most = 8): Promise<LibraryItem[]> {
  allow(actor, 'propose', 'cost');
  if (text.length > 200) return [];
  return inCompany(actor, async (tx) =>
    (await search(tx, text, most)).map((row) => itemFor(itemOf(row), actor)),
  );
}

/** The whole library, by trade and code. */
export async function listItems(actor: Actor): Promise<LibraryItem[]> {
  allow(actor, 'cost');
  return inCompany(actor, async (tx) => (await findItemsByTrade(tx)).map(itemOf));
}

export async function listTemplates(actor: Actor) {
  allow(actor, 'propose', 'cost');
  return inCompany(actor, (tx) => findTemplates(tx));
}
