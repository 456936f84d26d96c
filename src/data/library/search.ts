import type { SQL } from 'drizzle-orm';
import { inArray, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { bundle, item } from '../schema';

/** What each kind of fit is worth; the only place that says so. */
const worth = JSON.stringify({
  exactCode: 1000,
  codeStart: 60,
  // More than use and stars can add.
  nameFirst: 90,
  nameWord: 45,
  nameStart: 40,
  wholeWord: 30,
  wordStart: 25,
  inside: 10,
  similar: 12,
  phrase: 15,
  often: 24,
  starred: 12,
});

/** Words in small letters without the signs that set them apart, each between blanks; 2x10 is 2×10. */
const plain = (text: string) =>
  ` ${text
    .toLowerCase()
    .replace(/[\s,;:()|]+/g, ' ')
    .replace(/(\d)x(?=\d)/g, '$1×')} `;

/** What a search looks at: code, name, trade and tags, and behind a bar the words of a bundle's parts. */
export function searchText(
  row: {
    readonly code: string;
    readonly name: string;
    readonly trade: string;
    readonly tags: readonly string[];
  },
  parts: readonly string[] = [],
): string {
  const own = plain([row.code, row.name, row.trade, ...row.tags].join(' '));
  if (parts.length === 0) return own;
  return `${own}|${plain([...new Set(plain(parts.join(' ')).trim().split(' '))].join(' '))}`;
}

/** Sections called alike are of one kind, whatever number or “(copy)” they carry. */
export const sectionKind = (title: string): string =>
  title
    .toLowerCase()
    .replace(/\(.*?\)/g, ' ')
    .replace(/[^\p{L}]+/gu, ' ')
    .trim()
    .slice(0, 60);

/** Narrows a search; what is often used on this kind of section and starred by this person comes first. */
export interface Narrowing {
  readonly trade?: string;
  readonly tag?: string;
  readonly kind?: 'item' | 'bundle';
  readonly costType?: string;
  readonly sectionTitle?: string;
  readonly userId?: string;
  /** Without words: everything, not only what is used or starred. */
  readonly all?: boolean;
}

type Found =
  | { readonly kind: 'item'; readonly row: typeof item.$inferSelect }
  | { readonly kind: 'bundle'; readonly row: typeof bundle.$inferSelect };

/** The words of a search as it looks for them: at most eight. */
const wordsOf = (text: string): string[] => plain(text).split(' ').filter(Boolean).slice(0, 8);

/** What fits the words of a search, best first, as a table of `found_id` and `kind`; see {@link searchLibrary}. */
export function searchTable(text: string, { sectionTitle, ...narrowing }: Narrowing, most: number): SQL {
  const narrow = JSON.stringify({
    ...narrowing,
    ...(sectionTitle === undefined ? {} : { sectionKind: sectionKind(sectionTitle) }),
  });
  return sql`search_library(${sql.param(wordsOf(text))}::text[], ${worth}::jsonb, ${narrow}::jsonb, ${most})`;
}

/**
 * Items and bundles that fit all the words, in any order, best first; an exact code comes before everything. A word the
 * library has nowhere is forgiven a letter or two (`ligth` finds the light, `jiost` the joist). Retired ones are left out.
 */
export async function searchLibrary(
  tx: Transaction,
  text: string,
  narrowing: Narrowing = {},
  most = 12,
): Promise<Found[]> {
  const { rows: best } = await tx.execute<{ found_id: string; kind: 'item' | 'bundle' }>(
    sql`select found_id, kind from ${searchTable(text, narrowing, most)}`,
  );
  const ids = (kind: 'item' | 'bundle') => best.filter((row) => row.kind === kind).map((row) => row.found_id);
  const items = ids('item');
  const bundles = ids('bundle');
  const itemRows = items.length === 0 ? [] : await tx.select().from(item).where(inArray(item.id, items));
  const bundleRows =
    bundles.length === 0 ? [] : await tx.select().from(bundle).where(inArray(bundle.id, bundles));
  const found = new Map<string, Found>([
    ...itemRows.map((row) => [row.id, { kind: 'item', row }] as const),
    ...bundleRows.map((row) => [row.id, { kind: 'bundle', row }] as const),
  ]);
  return best.flatMap(({ found_id }) => found.get(found_id) ?? []);
}

/** The items alone; see {@link searchLibrary}. */
export async function searchItems(tx: Transaction, text: string, most = 12) {
  const found = await searchLibrary(tx, text, { kind: 'item' }, most);
  return found.flatMap((each) => (each.kind === 'item' ? [each.row] : []));
}
