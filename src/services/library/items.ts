import canonicalize from 'canonicalize';
import { desc, eq } from 'drizzle-orm';
import { writeFixed } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { searchText } from '@/data/library/search';
import { item, itemCost, user } from '@/data/schema';
import type { CostPart, ItemInput, LibraryItem } from '@/model';
import { ItemInput as ItemSchema } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { putOver } from '../over';
import { refuseUnknownFile } from '../files/keep';
import { Problem } from '../problem';
import { itemOf } from '@/data/library/rows';
import { isTaken } from './taken';

const gone = 'There is no such item.';

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
  await tx.insert(itemCost).values({
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
const stored = (input: ItemInput) => ({
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

/** An item as it is typed. */
function inputOf(row: typeof item.$inferSelect): ItemInput {
  const { id: _, ...input } = itemOf(row);
  return { ...input, internalNote: row.internalNote, supplierNote: row.supplierNote };
}

/**
 * Adds an item, or changes one and keeps what it cost before. Proposals and their bundles keep their copies.
 * @param over the item as it was read, where it is changed: what others changed since stays
 */
export async function saveItem(
  actor: Actor,
  input: unknown,
  id?: string,
  over?: unknown,
): Promise<LibraryItem> {
  allow(actor, 'owner');
  const typed = check(ItemSchema, input, 'The item');
  const base = over === undefined ? undefined : check(ItemSchema, over, 'The item as it was read');
  const itemId = id === undefined ? newId(actor.now) : checkId(id, gone);
  try {
    return await inCompany(actor.companyId, async (tx) => {
      if (typed.picture) await refuseUnknownFile(tx, [typed.picture]);
      let wanted = typed;
      if (id === undefined) {
        await tx.insert(item).values({
          ...stored(wanted),
          companyId: actor.companyId,
          id: itemId,
          createdAt: actor.now,
        });
        await recordAudit(tx, actor, 'item added', itemId, { code: wanted.code });
      } else {
        const [row] = await tx.select().from(item).where(eq(item.id, itemId)).for('update');
        if (!row) throw new Problem(404, gone);
        wanted = putOver(inputOf(row), typed, base);
        await tx.update(item).set(stored(wanted)).where(eq(item.id, itemId));
        await noteCost(tx, actor, itemId, row.costs, wanted.costs, 'typed');
        await recordAudit(tx, actor, 'item changed', itemId, { code: wanted.code });
      }
      const { internalNote: _, supplierNote: __, ...rest } = wanted;
      return { ...rest, id: itemId };
    });
  } catch (error) {
    if (isTaken(error)) throw new Problem(409, `The code ${typed.code} is taken in the library.`);
    throw error;
  }
}

/** Takes an item out of use, or back into it. Bundles and proposals that have it keep it. */
export async function retireItem(actor: Actor, id: unknown, retired: boolean): Promise<void> {
  allow(actor, 'owner');
  const itemId = checkId(id, gone);
  await inCompany(actor.companyId, async (tx) => {
    const changed = await tx
      .update(item)
      .set({ retiredAt: retired ? actor.now : null })
      .where(eq(item.id, itemId))
      .returning({ id: item.id });
    if (changed.length === 0) throw new Problem(404, gone);
    await recordAudit(tx, actor, retired ? 'item retired' : 'item brought back', itemId);
  });
}

/** One item with our note on it and what it cost over time. */
export async function readItem(actor: Actor, id: unknown) {
  const itemId = checkId(id, gone);
  return inCompany(actor.companyId, async (tx) => {
    const [row] = await tx.select().from(item).where(eq(item.id, itemId));
    if (!row) throw new Problem(404, gone);
    const history = await tx
      .select({
        id: itemCost.id,
        at: itemCost.at,
        why: itemCost.why,
        by: user.name,
        before: itemCost.unitBefore,
        after: itemCost.unitAfter,
      })
      .from(itemCost)
      .leftJoin(user, eq(user.id, itemCost.userId))
      .where(eq(itemCost.itemId, itemId))
      .orderBy(desc(itemCost.at))
      .limit(50);
    return {
      item: { id: row.id, ...inputOf(row) },
      retired: row.retiredAt !== null,
      history: history.map((each) => ({ ...each, at: each.at.toISOString() })),
    };
  });
}

export type ItemAtDesk = Awaited<ReturnType<typeof readItem>>;
