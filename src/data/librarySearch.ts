import type { SQL } from 'drizzle-orm';
import { sql } from 'drizzle-orm';
import type { Transaction } from './connection';
import { item } from './schema';

/** What each kind of match is worth; the only place that says so. */
const weights = {
  exactCode: 1000,
  codeStart: 60,
  nameStart: 40,
  wordStart: 25,
  inside: 10,
  similar: 12,
} as const;

/** What a search looks at: code, name, trade and tags in small letters. */
export function searchText(row: {
  code: string;
  name: string;
  trade: string;
  tags: readonly string[];
}): string {
  return [row.code, row.name, row.trade, ...row.tags].join(' ').toLowerCase();
}

const escaped = (word: string) => word.replace(/[\\%_]/g, '\\$&');

/**
 * Items that fit all the words, in any order, typing errors forgiven (trigram similarity), best first. An exact code
 * comes before everything. Retired items are left out.
 */
export async function searchItems(tx: Transaction, text: string, most = 12) {
  // Half of a word's trigrams are enough: `ligth` finds the light.
  await tx.execute(sql`select set_config('pg_trgm.word_similarity_threshold', '0.45', true)`);
  const words = text.toLowerCase().trim().split(/\s+/).filter(Boolean).slice(0, 8);
  const fits = words.map(
    (word): SQL => sql`(${item.searchText} like ${`%${escaped(word)}%`} or ${word} <% ${item.searchText})`,
  );
  const rank = words.map(
    (word): SQL => sql`
      case when lower(${item.code}) = ${word} then ${weights.exactCode}::real
           when lower(${item.code}) like ${`${escaped(word)}%`} then ${weights.codeStart}::real
           when lower(${item.name}) like ${`${escaped(word)}%`} then ${weights.nameStart}::real
           when ${item.searchText} like ${`% ${escaped(word)}%`} then ${weights.wordStart}::real
           when ${item.searchText} like ${`%${escaped(word)}%`} then ${weights.inside}::real
           else 0 end
      + ${weights.similar}::real * word_similarity(${word}, ${item.searchText})`,
  );
  const where = sql.join([sql`${item.retiredAt} is null`, ...fits], sql` and `);
  const order =
    rank.length === 0 ? sql`lower(${item.name})` : sql`${sql.join(rank, sql` + `)} desc, lower(${item.code})`;
  return tx.select().from(item).where(where).orderBy(order).limit(most);
}
