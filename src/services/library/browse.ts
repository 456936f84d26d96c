import { and, asc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import Type from 'typebox';
import { inCompany } from '@/data/connection';
import type { Narrowing } from '@/data/library/search';
import { searchLibrary } from '@/data/library/search';
import { bundle, item, libraryStar } from '@/data/schema';
import type { LibraryItem } from '@/model';
import type { Actor } from '../actor';
import { check, checkId } from '../check';
import { itemOf } from '@/data/library/rows';

/** What the library page asks for. */
export const BrowseInput = Type.Object(
  {
    words: Type.String({ maxLength: 200 }),
    trade: Type.String({ maxLength: 60 }),
    kind: Type.Union([Type.Literal('all'), Type.Literal('item'), Type.Literal('bundle')]),
    costType: Type.String({ maxLength: 20 }),
    retired: Type.Boolean(),
    page: Type.Integer({ minimum: 0, maximum: 100_000 }),
  },
  { additionalProperties: false },
);
export type BrowseInput = Type.Static<typeof BrowseInput>;

/** A bundle in the list: what it is called and asks for, not its whole recipe. */
export interface BundleRow {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  readonly trade: string;
  readonly tags: readonly string[];
  readonly inputs: readonly string[];
  readonly parts: number;
  readonly grades: readonly string[];
}

export type LibraryRow =
  | { readonly kind: 'item'; readonly item: LibraryItem; readonly starred: boolean }
  | { readonly kind: 'bundle'; readonly bundle: BundleRow; readonly starred: boolean };

export const PAGE_OF_LIBRARY = 100;

const bundleRow = (row: typeof bundle.$inferSelect): BundleRow => ({
  id: row.id,
  code: row.code,
  name: row.name,
  trade: row.trade,
  tags: row.tags,
  inputs: row.recipe.inputs.map(({ label }) => label),
  parts: row.recipe.parts.length,
  grades: row.recipe.grades.map(({ name }) => name),
});

/** A page of the library: by trade and code, or what fits the words, best first; with how much there is of each trade. */
export async function browseLibrary(actor: Actor, input: unknown) {
  const { words, trade, kind, costType, retired, page } = check(BrowseInput, input, 'The search');
  return inCompany(actor.companyId, async (tx) => {
    const counts = await tx.execute<{ trade: string; items: number; bundles: number }>(sql`
      select trade, count(*) filter (where not of_bundles)::int as items, count(*) filter (where of_bundles)::int as bundles
      from (select trade, false as of_bundles from ${item} where retired_at is null
            union all select trade, true from ${bundle} where retired_at is null) as everything
      group by trade order by trade`);
    const starred = new Set(
      (
        await tx
          .select({ id: libraryStar.starredId })
          .from(libraryStar)
          .where(eq(libraryStar.userId, actor.userId))
      ).map(({ id }) => id),
    );
    const rows: LibraryRow[] = [];
    let more = false;
    if (words.trim() !== '' && !retired) {
      const narrowing: Narrowing = {
        all: true,
        userId: actor.userId,
        ...(trade === '' ? {} : { trade }),
        ...(kind === 'all' ? {} : { kind }),
        ...(costType === '' ? {} : { costType }),
      };
      const found = await searchLibrary(tx, words, narrowing, PAGE_OF_LIBRARY + 1);
      more = found.length > PAGE_OF_LIBRARY;
      for (const one of found.slice(0, PAGE_OF_LIBRARY))
        rows.push(
          one.kind === 'item'
            ? { kind: 'item', item: itemOf(one.row), starred: starred.has(one.row.id) }
            : { kind: 'bundle', bundle: bundleRow(one.row), starred: starred.has(one.row.id) },
        );
    } else {
      // Bundles first: there are few, and they are what is looked for when browsing.
      if (kind !== 'item' && page === 0 && costType === '') {
        const bundles = await tx
          .select()
          .from(bundle)
          .where(
            and(
              retired ? isNotNull(bundle.retiredAt) : isNull(bundle.retiredAt),
              trade === '' ? undefined : eq(bundle.trade, trade),
            ),
          )
          .orderBy(asc(bundle.trade), asc(bundle.code));
        for (const row of bundles)
          rows.push({ kind: 'bundle', bundle: bundleRow(row), starred: starred.has(row.id) });
      }
      if (kind !== 'bundle') {
        const items = await tx
          .select()
          .from(item)
          .where(
            and(
              retired ? isNotNull(item.retiredAt) : isNull(item.retiredAt),
              trade === '' ? undefined : eq(item.trade, trade),
              costType === ''
                ? undefined
                : sql`${item.costs} @> ${JSON.stringify([{ type: costType }])}::jsonb`,
            ),
          )
          .orderBy(asc(item.trade), asc(item.code))
          .limit(PAGE_OF_LIBRARY + 1)
          .offset(page * PAGE_OF_LIBRARY);
        more = items.length > PAGE_OF_LIBRARY;
        for (const row of items.slice(0, PAGE_OF_LIBRARY))
          rows.push({ kind: 'item', item: itemOf(row), starred: starred.has(row.id) });
      }
    }
    return { rows, more, trades: counts.rows };
  });
}

export type LibraryPageOf = Awaited<ReturnType<typeof browseLibrary>>;

/** Stars something of the library for this person, or takes the star off. */
export async function star(actor: Actor, id: unknown, starred: boolean): Promise<void> {
  const starredId = checkId(id, 'There is no such thing in the library.');
  await inCompany(actor.companyId, async (tx) => {
    const row = { companyId: actor.companyId, userId: actor.userId, starredId };
    if (starred) await tx.insert(libraryStar).values(row).onConflictDoNothing();
    else
      await tx
        .delete(libraryStar)
        .where(and(eq(libraryStar.userId, actor.userId), eq(libraryStar.starredId, starredId)));
  });
}
