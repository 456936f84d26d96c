import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { bundle, item, libraryUse } from '../schema';
import { sectionKind } from './search';

/** Bundles and items in use of a trade, each with what is used most (on sections called like one) first. */
export async function findOfTrade(
  tx: Transaction,
  trade: string,
  { sectionTitle, most }: { readonly sectionTitle?: string | undefined; readonly most: number },
) {
  const uses = tx
    .select({ usedId: libraryUse.usedId, times: sql<number>`sum(${libraryUse.count})::int`.as('times') })
    .from(libraryUse)
    .where(sectionTitle === undefined ? undefined : eq(libraryUse.sectionKind, sectionKind(sectionTitle)))
    .groupBy(libraryUse.usedId)
    .as('uses');
  const often = desc(sql`coalesce(${uses.times}, 0)`);
  const bundles = await tx
    .select({ row: bundle })
    .from(bundle)
    .leftJoin(uses, eq(uses.usedId, bundle.id))
    .where(and(isNull(bundle.retiredAt), eq(bundle.trade, trade)))
    .orderBy(often, asc(bundle.code))
    .limit(most);
  const items = await tx
    .select({ row: item })
    .from(item)
    .leftJoin(uses, eq(uses.usedId, item.id))
    .where(and(isNull(item.retiredAt), eq(item.trade, trade)))
    .orderBy(often, asc(item.code))
    .limit(most);
  return { bundles: bundles.map(({ row }) => row), items: items.map(({ row }) => row) };
}
