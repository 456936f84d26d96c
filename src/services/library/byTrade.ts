import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { sectionKind } from '@/data/library/search';
import { bundle, item, libraryUse } from '@/data/schema';
import type { Actor } from '../actor';
import type { Found } from './find';
import { bundleOf, itemOf } from '@/data/library/rows';

/** How many things of a trade are listed at most; whoever wants more searches. */
const MOST = 240;

export interface LibraryTrade {
  readonly trade: string;
  readonly items: number;
  readonly bundles: number;
}

/** The trades of the library, with how much there is of each. */
export async function listTrades(actor: Actor): Promise<LibraryTrade[]> {
  return inCompany(actor.companyId, async (tx) => {
    const { rows } = await tx.execute<{ trade: string; items: number; bundles: number }>(sql`
      select trade, count(*) filter (where not of_bundles)::int as items, count(*) filter (where of_bundles)::int as bundles
      from (select trade, false as of_bundles from ${item} where retired_at is null
            union all select trade, true from ${bundle} where retired_at is null) as everything
      group by trade order by trade`);
    return rows;
  });
}

/** What stands in a trade: bundles, then items, each with what is used most (on such a section) first. */
export async function readTrade(actor: Actor, trade: string, sectionTitle?: string): Promise<Found[]> {
  return inCompany(actor.companyId, async (tx) => {
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
      .limit(MOST);
    const items = await tx
      .select({ row: item })
      .from(item)
      .leftJoin(uses, eq(uses.usedId, item.id))
      .where(and(isNull(item.retiredAt), eq(item.trade, trade)))
      .orderBy(often, asc(item.code))
      .limit(MOST);
    return [
      ...bundles.map(({ row }): Found => {
        const { internalNote: _, ...plain } = bundleOf(row);
        return { kind: 'bundle', bundle: plain };
      }),
      ...items.map(({ row }): Found => ({ kind: 'item', item: itemOf(row) })),
    ];
  });
}
