import fs from 'node:fs/promises';
import path from 'node:path';
import { Client } from 'pg';
import { CannotGoOn } from '../backup/cannotGoOn';
import { inFolder } from '../backup/make';
import type { Whole } from './archive';
import { packWhole, unpackWhole } from './archive';
import type { Table } from './tables';
import { tablesOf } from './tables';

/** So many rows are read at a time. */
const AT_ONCE = 500;

/** A row’s name as a folder: what its key says, without what a path could not hold. */
const folderOf = (row: Readonly<Record<string, unknown>>, at: number): string =>
  typeof row.id === 'string' ? row.id : `row-${at}`;

/** Writes one table and its files; answers how many rows it has. */
async function writeTable(client: Client, table: Table, companyId: string, folder: string): Promise<number> {
  // A cursor takes no parameters; an identity of the database needs no quoting.
  const where = table.where.replaceAll('$1', `'${companyId}'::uuid`);
  await client.query(
    `declare given no scroll cursor for
     select to_jsonb(one) as row from (
       select ${table.read.join(', ')} from public."${table.name}" x where ${where} order by ${table.order}) one`,
  );
  const file = await fs.open(path.join(folder, 'tables', `${table.name}.jsonl`), 'w');
  let count = 0;
  try {
    for (;;) {
      const { rows } = await client.query<{ row: Record<string, unknown> }>(`fetch ${AT_ONCE} from given`);
      if (rows.length === 0) break;
      for (const { row } of rows) {
        for (const column of table.bytes) {
          const bytes = row[column];
          if (typeof bytes !== 'string') continue;
          const place = `files/${table.name}/${folderOf(row, count)}/${column}`;
          await fs.mkdir(path.dirname(path.join(folder, place)), { recursive: true });
          await fs.writeFile(path.join(folder, place), Buffer.from(bytes.slice(2), 'hex'));
          row[column] = { file: place };
        }
        await file.write(`${JSON.stringify(row)}\n`);
        count += 1;
      }
    }
  } finally {
    await file.close();
    await client.query('close given');
  }
  return count;
}

const versionOfApplication = async () =>
  (JSON.parse(await fs.readFile(path.join(process.cwd(), 'package.json'), 'utf8')) as { version: string })
    .version;

/**
 * Everything of one company as an archive in open formats, of one moment, read back to see that it is whole.
 * @param owner how whoever keeps the database logs in
 * @param named the company by its name; null: the only one there is
 * @throws CannotGoOn where there is no such company, or several
 */
export async function exportCompany(
  owner: string,
  named: string | null,
  file: string,
  now: Date,
): Promise<Whole> {
  const client = new Client({ connectionString: owner });
  await client.connect();
  try {
    return await inFolder(async (folder) => {
      await client.query('begin isolation level repeatable read read only');
      const { rows: companies } = await client.query<{ id: string; name: string }>(
        'select id, name from company where $1::text is null or lower(name) = lower($1) order by created_at',
        [named],
      );
      const [company] = companies;
      if (!company)
        throw new CannotGoOn(named ? `There is no company “${named}” here.` : 'There is no company here.');
      if (companies.length > 1)
        throw new CannotGoOn(
          `There are several companies: name one of ${companies.map(({ name }) => `“${name}”`).join(', ')}.`,
        );
      const {
        rows: [state],
      } = await client.query<{ migrations: number }>(
        'select count(*)::int as migrations from drizzle.__drizzle_migrations',
      );
      await fs.mkdir(path.join(folder, 'tables'));
      const rows: Record<string, number> = {};
      for (const table of await tablesOf(client))
        rows[table.name] = await writeTable(client, table, company.id, folder);
      await client.query('commit');
      await fs.mkdir(path.dirname(path.resolve(file)), { recursive: true });
      const made = await packWhole(
        folder,
        {
          application: await versionOfApplication(),
          madeAt: now.toISOString(),
          migrations: state!.migrations,
          company,
          rows,
        },
        path.resolve(file),
      );
      await inFolder((again) => unpackWhole(path.resolve(file), again));
      return made;
    });
  } finally {
    await client.end();
  }
}
