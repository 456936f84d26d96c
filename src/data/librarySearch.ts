import { inArray, sql } from 'drizzle-orm';
import type { Transaction } from './connection';
import { item } from './schema';

/** What each kind of fit is worth; the only place that says so. */
const worth = JSON.stringify({
  exactCode: 1000,
  codeStart: 60,
  nameStart: 40,
  wholeWord: 30,
  wordStart: 25,
  inside: 10,
  similar: 12,
});

/** Words in small letters without the signs that set them apart, each between blanks. */
const plain = (text: string) => ` ${text.toLowerCase().replace(/[\s,;:()]+/g, ' ')} `;

/** What a search looks at: code, name, trade and tags. */
export function searchText(row: {
  code: string;
  name: string;
  trade: string;
  tags: readonly string[];
}): string {
  return plain([row.code, row.name, row.trade, ...row.tags].join(' '));
}

/**
 * Items that fit all the words, in any order, best first; an exact code comes before everything. A word the library has
 * nowhere is forgiven (half of its trigrams are enough: `ligth` finds the light). Retired items are left out.
 */
export async function searchItems(tx: Transaction, text: string, most = 12) {
  const words = plain(text).split(' ').filter(Boolean).slice(0, 8);
  const { rows: best } = await tx.execute<{ item_id: string }>(
    sql`select item_id from search_items(${sql.param(words)}::text[], ${worth}::jsonb, ${most})`,
  );
  if (best.length === 0) return [];
  const ids = best.map(({ item_id }) => item_id);
  const rows = await tx.select().from(item).where(inArray(item.id, ids));
  return rows.sort((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id));
}
