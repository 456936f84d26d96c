import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { bundle, item, libraryUse } from '../schema';
import { hasWords } from '../words';
import { sectionKind } from './search';

/** Has it all the words, in code, name or tags? */
const fits = (words: string, of: typeof bundle | typeof item) =>
  hasWords(words, of.code, of.name, sql`array_to_string(${of.tags}, ' ')`);

/**
 * Bundles and items in use of a trade whose code, name or tags have all the words: bundles before items, each with what is
 * used most (on sections called like one) first; with how many there are of both.
 */
export async function findOfTrade(
  tx: Transaction,
  trade: string,
  {
    sectionTitle,
    words,
    after,
    most,
  }: {
    readonly sectionTitle?: string | undefined;
    readonly words: string;
    /** So many were given before. */
    readonly after: number;
    readonly most: number;
  },
) {
  const bundleFits = and(isNull(bundle.retiredAt), eq(bundle.trade, trade), fits(words, bundle));
  const itemFits = and(isNull(item.retiredAt), eq(item.trade, trade), fits(words, item));
  const [allBundles, allItems] = [await tx.$count(bundle, bundleFits), await tx.$count(item, itemFits)];
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
    .where(bundleFits)
    .orderBy(often, asc(bundle.code))
    .offset(after)
    .limit(most);
  const items = await tx
    .select({ row: item })
    .from(item)
    .leftJoin(uses, eq(uses.usedId, item.id))
    .where(itemFits)
    .orderBy(often, asc(item.code))
    .offset(Math.max(0, after - allBundles))
    .limit(Math.max(0, most - bundles.length));
  return {
    bundles: bundles.map(({ row }) => row),
    items: items.map(({ row }) => row),
    all: { bundles: allBundles, items: allItems },
  };
}
