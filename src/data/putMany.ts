import type { SQLChunk } from 'drizzle-orm';
import { getTableColumns, sql } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import type { Transaction } from './connection';

/**
 * Stores many rows at once, over those of the same key: one statement with one parameter, however many rows. A row that the
 * library builder makes costs a parameter each for every field, and a list of tens of thousands hundreds of megabytes.
 *
 * @param rows every column of the table, by its name here; what is left out is null
 * @param key the columns that tell rows apart
 * @param kept columns that stay as they are where the row is there already
 */
export async function putMany<T extends PgTable>(
  tx: Transaction,
  table: T,
  rows: readonly T['$inferInsert'][],
  { key, kept }: { readonly key: readonly string[]; readonly kept: readonly string[] },
): Promise<void> {
  const columns = Object.entries(getTableColumns(table));
  const names = columns.map(([, { name }]) => name);
  const list = (all: readonly SQLChunk[]) => sql.join([...all], sql`, `);
  const named = list(names.map((name) => sql.identifier(name)));
  const given = rows.map((row) =>
    Object.fromEntries(
      columns.map(([field, { name }]) => [name, (row as Record<string, unknown>)[field] ?? null]),
    ),
  );
  const changed = names.filter((name) => !key.includes(name) && !kept.includes(name));
  await tx.execute(sql`
    insert into ${table} (${named})
    select ${named} from jsonb_populate_recordset(null::${table}, ${JSON.stringify(given)}::jsonb)
    on conflict (${list(key.map((name) => sql.identifier(name)))}) do update set ${list(
      changed.map((name) => sql`${sql.identifier(name)} = excluded.${sql.identifier(name)}`),
    )}`);
}
