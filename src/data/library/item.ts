import type { Transaction } from '../connection';
import { item } from '../schema';
import { and, asc, eq, inArray, isNull, sql } from 'drizzle-orm';

/** Changes columns of one row. */
export async function updateItem(
  tx: Transaction,
  id: string,
  columns: Partial<typeof item.$inferInsert>,
): Promise<void> {
  await tx.update(item).set(columns).where(eq(item.id, id));
}

/** Stores one or several rows. */
export async function insertItem(
  tx: Transaction,
  rows: typeof item.$inferInsert | readonly (typeof item.$inferInsert)[],
): Promise<void> {
  await tx.insert(item).values([rows].flat());
}

/** One row by its id, or none; held until the transaction ends. */
export const lockItemById = async (tx: Transaction, id: string): Promise<(typeof item.$inferSelect)[]> =>
  tx.select().from(item).where(eq(item.id, id)).for('update');

/** One row by its id, or none. */
export const itemById = async (tx: Transaction, id: string): Promise<(typeof item.$inferSelect)[]> =>
  tx.select().from(item).where(eq(item.id, id));

/** The items in use, of a trade or a tag where one is given. */
export const findItemsToChange = async (tx: Transaction, trade: string, tag: string) =>
  tx
    .select()
    .from(item)
    .where(
      and(
        isNull(item.retiredAt),
        trade === '' ? undefined : eq(item.trade, trade),
        tag === '' ? undefined : sql`${tag} = any(${item.tags})`,
      ),
    )
    .orderBy(item.code);

/** All items, retired ones too. */
export const findAllItems = async (tx: Transaction) => tx.select().from(item);

/** All items, by trade and code. */
export const findItemsByTrade = async (tx: Transaction) =>
  tx.select().from(item).orderBy(asc(item.trade), asc(item.code));

/** Some items. */
export const findItemsByIds = async (tx: Transaction, ids: string[]) =>
  tx.select().from(item).where(inArray(item.id, ids));

/** Some items; held until the transaction ends. */
export const lockItemsByIds = async (tx: Transaction, ids: string[]) =>
  tx.select().from(item).where(inArray(item.id, ids)).orderBy(asc(item.id)).for('update');

/** How many items follow each rate and each crew. */
export const countItemsByRate = async (tx: Transaction) =>
  tx.execute<{ id: string; items: number }>(sql`
      select id, count(*)::int as items from (
        select distinct ${item.id} as item_id, coalesce(part->'crew'->>'id', part->>'rateId') as id
        from ${item}, jsonb_array_elements(${item.costs}) as part
        where ${item.retiredAt} is null) as named
      where id is not null group by id`);

/** The items in use that follow a rate or a crew; held until the transaction ends. */
export const lockItemsWithRates = async (tx: Transaction) =>
  tx
    .select({ id: item.id, code: item.code, name: item.name, costs: item.costs })
    .from(item)
    .where(and(isNull(item.retiredAt), sql`(${item.costs} @? '$[*].rateId' or ${item.costs} @? '$[*].crew')`))
    .orderBy(item.code)
    .for('update');

/** Code and name of some items. */
export const findItemNames = async (tx: Transaction, known: string[]) =>
  tx.select({ id: item.id, code: item.code, name: item.name }).from(item).where(inArray(item.id, known));
