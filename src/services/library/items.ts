import canonicalize from 'canonicalize';
import { writeFixed } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { searchText } from '@/data/library/search';
import type { item } from '@/data/schema';
import type { CostPart, ItemInput, LibraryItem } from '@/model';
import { costCodeFor } from '@/model';
import { ItemInput as ItemSchema } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { cutOffer } from '../offered';
import { check, checkId } from '../check';
import { putOver } from '../over';
import { refuseUnknownFile } from '../files/keep';
import { companyOf } from '@/data/settings/company';
import { noSuch, Problem } from '../problem';
import { itemOf } from '@/data/library/rows';
import { isTaken } from '../taken';
import { insertItemCost, findCostsOverTime } from '@/data/library/itemCost';
import { insertItem, lockItemById, updateItem, itemById } from '@/data/library/item';

/** Keeps what an item cost before, where its cost changed. */
export async function noteCost(
  tx: Transaction,
  actor: Actor,
  itemId: string,
  before: readonly CostPart[],
  after: readonly CostPart[],
  why: string,
): Promise<void> {
  if (canonicalize(before) === canonicalize(after)) return;
  await insertItemCost(tx, {
    companyId: actor.companyId,
    id: newId(actor.now),
    itemId,
    at: actor.now,
    userId: actor.userId,
    why,
    before: [...before],
    after: [...after],
    unitBefore: writeFixed(itemUnitCost(before)),
    unitAfter: writeFixed(itemUnitCost(after)),
  });
}

/** What is stored of an item: everything that may be absent is named, so that it can be taken away again. */
export const stored = (input: ItemInput) => ({
  ...input,
  waste: input.waste ?? null,
  pack: input.pack ?? null,
  minimumCharge: input.minimumCharge ?? null,
  breaks: input.breaks ?? null,
  loads: input.loads ?? null,
  picture: input.picture ?? null,
  supplierNote: input.supplierNote ?? '',
  searchText: searchText(input),
});

/** Puts a new item into the library, within what is being stored with it; answers it as it is stored. */
export async function insertNew(
  tx: Transaction,
  actor: Actor,
  id: string,
  typed: ItemInput,
): Promise<ItemInput> {
  // What comes without a cost code has that of its trade.
  const { costCodes } = await companyOf(tx, actor.companyId);
  const wanted = { ...typed, costCode: costCodeFor(typed.costCode, typed.trade, costCodes) };
  await insertItem(tx, { ...stored(wanted), companyId: actor.companyId, id, createdAt: actor.now });
  await recordAudit(tx, actor, 'item added', id, { code: wanted.code });
  return wanted;
}

/** An item as it is typed. */
export function inputOf(row: typeof item.$inferSelect): ItemInput {
  const { id: _, ...input } = itemOf(row);
  return { ...input, internalNote: row.internalNote, supplierNote: row.supplierNote };
}

/**
 * Adds an item, or changes one and keeps what it cost before. Proposals and their bundles keep their copies.
 * @param over the item as it was read, where it is changed: what others changed since stays
 * @throws Problem `code-taken`, `no-such-item`
 */
export async function saveItem(
  actor: Actor,
  input: unknown,
  id?: string,
  over?: unknown,
): Promise<LibraryItem> {
  // A seller adds what a job brought; what the library has is changed by the owner.
  allow(actor, 'library', ...(id === undefined ? (['propose'] as const) : []));
  allow(actor, 'cost');
  const typed = check(ItemSchema, input, 'The item');
  const base = over === undefined ? undefined : check(ItemSchema, over, 'The item as it was read');
  const itemId = id === undefined ? newId(actor.now) : checkId(id, 'item');
  try {
    return await inCompany(actor, async (tx) => {
      if (typed.picture) await refuseUnknownFile(tx, [typed.picture]);
      let wanted = typed;
      if (id === undefined) {
        wanted = await insertNew(tx, actor, itemId, wanted);
      } else {
        const [row] = await lockItemById(tx, itemId);
        if (!row) throw noSuch('item');
        wanted = putOver(inputOf(row), typed, base);
        await updateItem(tx, itemId, stored(wanted));
        await noteCost(tx, actor, itemId, row.costs, wanted.costs, 'typed');
        await recordAudit(tx, actor, 'item changed', itemId, { code: wanted.code });
      }
      const { internalNote: _, supplierNote: __, ...rest } = wanted;
      return { ...rest, id: itemId };
    });
  } catch (error) {
    if (isTaken(error)) throw new Problem('code-taken', `The code ${typed.code} is taken in the library.`);
    throw error;
  }
}

/** So many changes of its cost are told of an item. */
const HISTORY = 50;

/**
 * One item with our note on it and what it cost over time.
 * @throws Problem `no-such-item`
 */
export async function readItem(actor: Actor, id: unknown) {
  allow(actor, 'cost');
  const itemId = checkId(id, 'item');
  return inCompany(actor, async (tx) => {
    const [row] = await itemById(tx, itemId);
    if (!row) throw noSuch('item');
    const { found: history, more } = cutOffer(await findCostsOverTime(tx, itemId, HISTORY + 1), HISTORY);
    return {
      item: { id: row.id, ...inputOf(row) },
      retired: row.retiredAt !== null,
      history: history.map((each) => ({ ...each, at: each.at.toISOString() })),
      /** Were there changes before these? */
      older: more,
    };
  });
}

export type ItemAtDesk = Awaited<ReturnType<typeof readItem>>;
