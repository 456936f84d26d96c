import { createReadStream } from 'node:fs';
import fs from 'node:fs/promises';
import path from 'node:path';
import readline from 'node:readline';
import { Client } from 'pg';
import { migrateDatabase } from '@/data/upkeep/migrate';
import { CannotGoOn } from '../backup/cannotGoOn';
import { inFolder } from '../backup/make';
import type { Whole } from './archive';
import { unpackWhole } from './archive';
import type { Table } from './tables';
import { tablesOf } from './tables';

/** So many rows are written at a time. */
const AT_ONCE = 200;

interface Key {
  readonly table: string;
  readonly name: string;
}

/** The keys between tables: while a company comes in, they are looked at when all of it is there. */
const keysBetween = async (client: Client): Promise<Key[]> =>
  (
    await client.query<Key>(
      `select table_name as table, constraint_name as name from information_schema.table_constraints
       where table_schema = 'public' and constraint_type = 'FOREIGN KEY'`,
    )
  ).rows;

/** A row as the database takes it: files in their columns, and letters that waited are told of. */
async function readRow(line: string, { name, bytes }: Table, folder: string): Promise<unknown> {
  const row = JSON.parse(line) as Record<string, unknown>;
  for (const column of bytes) {
    const held = row[column] as { file?: unknown } | null;
    if (held === null) continue;
    const place = `files/${name}/`;
    if (typeof held?.file !== 'string' || !held.file.startsWith(place) || held.file.includes('..'))
      throw new CannotGoOn(`A row of ${name} names no file of its own.`);
    row[column] = `\\x${(await fs.readFile(path.join(folder, held.file))).toString('hex')}`;
  }
  if (name === 'message' && row.state === 'waiting') {
    row.state = 'failed';
    row.note = 'It waited when the company was moved here. Send it again.';
    row.settled_at = row.at;
  }
  return row;
}

async function fillTable(client: Client, table: Table, folder: string): Promise<number> {
  const columns = table.columns.map((column) => `"${column}"`).join(', ');
  let waiting: unknown[] = [];
  let count = 0;
  const put = async () => {
    if (waiting.length === 0) return;
    await client.query(
      `insert into public."${table.name}" (${columns}) select ${columns} from jsonb_populate_recordset(null::public."${table.name}", $1::jsonb)`,
      [JSON.stringify(waiting)],
    );
    count += waiting.length;
    waiting = [];
  };
  const lines = readline.createInterface({
    input: createReadStream(path.join(folder, 'tables', `${table.name}.jsonl`)),
    crlfDelay: Infinity,
  });
  for await (const line of lines) {
    if (line === '') continue;
    waiting.push(await readRow(line, table, folder));
    if (waiting.length >= AT_ONCE || table.bytes.length > 0) await put();
  }
  await put();
  return count;
}

/**
 * Brings everything of a company into an empty installation, all of it or nothing. Nobody has a way in yet: `npm run way-in`
 * makes one.
 * @param owner how whoever keeps the database logs in
 * @throws CannotGoOn where there is a company already, or the archive is damaged or of another version
 */
export async function importCompany(owner: string, file: string): Promise<Whole> {
  await migrateDatabase(owner);
  return inFolder(async (folder) => {
    const manifest = await unpackWhole(path.resolve(file), folder);
    const client = new Client({ connectionString: owner });
    await client.connect();
    try {
      await client.query('begin');
      await client.query('lock table company in access exclusive mode');
      if ((await client.query('select 1 from company limit 1')).rows.length > 0)
        throw new CannotGoOn('There is a company here already; an archive comes into an empty installation.');
      const {
        rows: [state],
      } = await client.query<{ migrations: number }>(
        'select count(*)::int as migrations from drizzle.__drizzle_migrations',
      );
      if (state!.migrations !== manifest.migrations)
        throw new CannotGoOn(
          `This archive was made by Impegno ${manifest.application}, whose tables are others. Bring it in with that version, then go on to this one.`,
        );
      const keys = await keysBetween(client);
      const tables = await tablesOf(client);
      for (const { table, name } of keys)
        await client.query(
          `alter table public."${table}" alter constraint "${name}" deferrable initially deferred`,
        );
      for (const { name } of tables) await client.query(`alter table public."${name}" disable trigger user`);
      for (const table of tables) {
        const count = await fillTable(client, table, folder);
        if (count !== manifest.rows[table.name])
          throw new CannotGoOn(
            `The archive has ${count} rows of ${table.name}, and says ${manifest.rows[table.name]}.`,
          );
      }
      await client.query('set constraints all immediate');
      for (const { name } of tables) await client.query(`alter table public."${name}" enable trigger user`);
      for (const { table, name } of keys)
        await client.query(`alter table public."${table}" alter constraint "${name}" not deferrable`);
      await client.query('commit');
    } finally {
      await client.end();
    }
    return manifest;
  });
}
