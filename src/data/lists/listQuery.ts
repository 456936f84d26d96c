import type { SQL } from 'drizzle-orm';
import { and, sql } from 'drizzle-orm';
import type { ListSpec, ListState } from '@/core/lists';
import { PAGE_SIZE, readRange } from '@/core/lists';
import type { Transaction } from '../connection';
import { hasWords } from '../words';

/** Where the rows of a list come from. */
export interface ListSource {
  /** Tables, joined; row level security keeps them to the company. */
  readonly from: SQL;
  /** Only these rows are of the list at all. */
  readonly where?: SQL | undefined;
  /** What each column comes to; what else a row needs stands in `also`. */
  readonly columns: Readonly<Record<string, SQL>>;
  readonly also?: Readonly<Record<string, SQL>>;
  /** By what a column is sorted, where it is not by what it shows. */
  readonly sortBy?: Readonly<Record<string, SQL>>;
  /** What the words of a search are looked for in. */
  readonly words: readonly SQL[];
  /** Filter → what it lets through; a range of days or amounts: what it is compared with. */
  readonly filters: Readonly<Record<string, SQL | ((values: readonly string[]) => SQL | undefined)>>;
  /** Tells rows apart and orders those alike, so that no page shows one twice. */
  readonly id: SQL;
}

export interface ListPage<Row> {
  readonly rows: readonly Row[];
  /** How many fit, on all pages. */
  readonly count: number;
  /** Sums over all that fit, as decimal text. */
  readonly totals: Readonly<Record<string, string>>;
}

function condition(spec: ListSpec, source: ListSource, state: ListState): SQL | undefined {
  const filters = spec.filters.map((filter) => {
    const values = state.filters[filter.key] ?? [];
    const through = source.filters[filter.key];
    if (values.length === 0 || through === undefined) return undefined;
    if (typeof through === 'function') return through(values);
    if (filter.kind === 'flag') return through;
    if (filter.kind === 'choice') return sql`${through}::text in ${[...values]}`;
    if (filter.kind === 'thing') return sql`${through} = ${values[0]!}::uuid`;
    const range = readRange(filter.kind, values[0]!);
    const as = filter.kind === 'days' ? sql`date` : sql`numeric`;
    return and(
      range?.from == null ? undefined : sql`${through} >= ${range.from}::${as}`,
      range?.to == null ? undefined : sql`${through} <= ${range.to}::${as}`,
    );
  });
  return and(source.where, hasWords(state.search, ...source.words), ...filters);
}

const named = (all: Readonly<Record<string, SQL>>) =>
  sql.join(
    Object.entries(all).map(([key, value]) => sql`${value} as ${sql.identifier(key)}`),
    sql`, `,
  );

const orderOf = (source: ListSource, { sort }: ListState) => {
  const by = source.sortBy?.[sort.by] ?? source.columns[sort.by] ?? source.id;
  return sort.down
    ? sql`${by} desc nulls last, ${source.id} desc`
    : sql`${by} asc nulls last, ${source.id} asc`;
};

async function rowsOf<Row>(
  tx: Transaction,
  spec: ListSpec,
  source: ListSource,
  state: ListState,
  limit: SQL,
): Promise<Row[]> {
  const where = condition(spec, source, state);
  const { rows } = await tx.execute(
    sql`select ${named({ ...source.columns, ...source.also })} from ${source.from}
        ${where ? sql`where ${where}` : sql``} order by ${orderOf(source, state)} ${limit}`,
  );
  return rows as Row[];
}

/** One page of a list, with how many rows fit and the sums over all of them. A page past the last is the last. */
export async function listPage<Row>(
  tx: Transaction,
  spec: ListSpec,
  source: ListSource,
  state: ListState,
): Promise<ListPage<Row> & { readonly page: number }> {
  const where = condition(spec, source, state);
  const summed = spec.columns.filter(({ total }) => total).map(({ key }) => key);
  const sums = summed.map(
    (key) => sql`coalesce(sum(${source.columns[key]!}), 0)::text as ${sql.identifier(key)}`,
  );
  const { rows: heads } = await tx.execute(
    sql`select ${sql.join([sql`count(*)::int as "count of rows"`, ...sums], sql`, `)} from ${source.from}
        ${where ? sql`where ${where}` : sql``}`,
  );
  const { 'count of rows': count, ...totals } = heads[0] as Record<string, string> & {
    'count of rows': number;
  };
  const page = Math.min(state.page, Math.max(1, Math.ceil(count / PAGE_SIZE)));
  const rows =
    count === 0
      ? []
      : await rowsOf<Row>(tx, spec, source, state, sql`limit ${PAGE_SIZE} offset ${(page - 1) * PAGE_SIZE}`);
  return { rows, count, totals, page };
}

/**
 * Rows that fit and come after one, in the order they were made, for a program that goes on where it stopped.
 * @param after the identity of the last row that was read; null: from the first on
 */
export async function listAfter<Row>(
  tx: Transaction,
  spec: ListSpec,
  source: ListSource,
  state: ListState,
  { after, most }: { readonly after: string | null; readonly most: number },
): Promise<Row[]> {
  const where = and(
    condition(spec, source, state),
    after === null ? undefined : sql`${source.id} > ${after}::uuid`,
  );
  const { rows } = await tx.execute(
    sql`select ${named({ ...source.columns, ...source.also })} from ${source.from}
        ${where ? sql`where ${where}` : sql``} order by ${source.id} limit ${most}`,
  );
  return rows as Row[];
}

/** The most rows an export has; more is a database. */
export const MOST_EXPORTED = 200_000;

/** All rows that fit, for an export. */
export const listAll = <Row>(tx: Transaction, spec: ListSpec, source: ListSource, state: ListState) =>
  rowsOf<Row>(tx, spec, source, state, sql`limit ${MOST_EXPORTED}`);
