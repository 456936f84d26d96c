import type { Client } from 'pg';

/*
 * What of the database belongs to one company, table by table.
 */

/** What does not go along: ways in and what waits for them, and lists half brought in. They are of this installation. */
const STAYS = new Set(['session', 'invitation', 'library_import', 'api_token', 'webhook', 'webhook_message']);

/** Columns nobody else is given: passwords, second steps, and what is sealed with the secret of this installation. */
const SECRET: Readonly<Record<string, readonly string[]>> = {
  person: ['password_hash', 'totp', 'totp_since', 'totp_step'],
  link: ['sealed'],
  message: ['sealed'],
};

export interface Table {
  readonly name: string;
  readonly columns: readonly string[];
  /** Each of them as it is read: exact numbers as decimal text. */
  readonly read: readonly string[];
  /** Those of them that are bytes: each is a file of its own. */
  readonly bytes: readonly string[];
  /** Which of its rows are a company’s; the company is $1. */
  readonly where: string;
  /** By what its rows are put in order, for the same archive of the same rows. */
  readonly order: string;
}

/** The tables of a company in the order of their names, the company itself and its people first. */
export async function tablesOf(client: Client): Promise<Table[]> {
  const { rows } = await client.query<{ table: string; column: string; type: string }>(
    `select c.table_name as table, c.column_name as column, c.data_type as type
     from information_schema.columns c
     join information_schema.tables t on t.table_schema = c.table_schema and t.table_name = c.table_name
     where c.table_schema = 'public' and t.table_type = 'BASE TABLE' and c.is_generated = 'NEVER'
     order by c.table_name, c.ordinal_position`,
  );
  const { rows: keys } = await client.query<{ table: string; column: string }>(
    `select tc.table_name as table, k.column_name as column
     from information_schema.table_constraints tc
     join information_schema.key_column_usage k using (constraint_schema, constraint_name)
     where tc.table_schema = 'public' and tc.constraint_type = 'PRIMARY KEY'
     order by tc.table_name, k.ordinal_position`,
  );
  const whereOf = (name: string, columns: readonly string[]): string | null =>
    name === 'company'
      ? 'x.id = $1'
      : name === 'person'
        ? 'exists (select 1 from app_user u where u.person_id = x.id and u.company_id = $1)'
        : columns.includes('company_id')
          ? 'x.company_id = $1'
          : null;
  const names = [...new Set(rows.map(({ table }) => table))];
  const first = ['company', 'person'];
  return [...first, ...names.filter((name) => !first.includes(name))].flatMap((name): Table[] => {
    const all = rows.filter(({ table }) => table === name);
    const where = whereOf(
      name,
      all.map(({ column }) => column),
    );
    if (where === null || STAYS.has(name)) return [];
    const open = all.filter(({ column }) => !SECRET[name]?.includes(column));
    return [
      {
        name,
        columns: open.map(({ column }) => column),
        read: open.map(({ column, type }) =>
          type === 'numeric' || type === 'bigint' ? `x."${column}"::text as "${column}"` : `x."${column}"`,
        ),
        bytes: open.filter(({ type }) => type === 'bytea').map(({ column }) => column),
        where,
        order: keys
          .filter(({ table }) => table === name)
          .map(({ column }) => `x."${column}"`)
          .join(', '),
      },
    ];
  });
}
