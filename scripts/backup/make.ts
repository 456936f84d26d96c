import fs from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { Client } from 'pg';
import { CannotGoOn } from './cannotGoOn';
import type { Manifest } from './archive';
import { DUMP, SETTINGS, pack, unpack } from './archive';
import { pgTool } from './pgTools';

/** What of the configuration goes with a backup: how it is reached and spoken to, and the secret that links are sealed with. */
const KEPT_SETTINGS = /^(IMPEGNO_(?!BACKUP)[A-Z_]+|TRUSTED_PROXIES)$/;

/** Does something in a folder of its own, which is gone afterwards. */
export async function inFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await fs.mkdtemp(
    path.join(process.env.IMPEGNO_BACKUP_WORK ?? os.tmpdir(), 'impegno-backup-'),
  );
  try {
    return await work(folder);
  } finally {
    await fs.rm(folder, { recursive: true, force: true });
  }
}

/** How many rows each table of the application has, by name. */
export async function rowsOf(client: Client): Promise<Record<string, number>> {
  const { rows: tables } = await client.query<{ name: string }>(
    `select tablename as name from pg_tables where schemaname = 'public' order by tablename`,
  );
  const rows: Record<string, number> = {};
  for (const { name } of tables)
    rows[name] = Number(
      (await client.query<{ n: string }>(`select count(*) as n from public."${name}"`)).rows[0]!.n,
    );
  return rows;
}

const versionOfApplication = async () =>
  (JSON.parse(await fs.readFile(path.join(process.cwd(), 'package.json'), 'utf8')) as { version: string })
    .version;

/**
 * Makes a backup of a database and of the configuration in one file, and reads it back to see that it is whole. What is in
 * it is of one moment, whoever writes meanwhile.
 * @param owner how whoever keeps the database logs in
 */
export async function makeBackup(
  owner: string,
  file: string,
  passphrase: string | null,
  now: Date,
): Promise<Manifest> {
  await fs.mkdir(path.dirname(path.resolve(file)), { recursive: true });
  const client = new Client({ connectionString: owner });
  await client.connect();
  try {
    return await inFolder(async (folder) => {
      await client.query('begin isolation level repeatable read read only');
      const one = async <T>(query: string) => (await client.query(query)).rows[0] as T;
      const { snapshot } = await one<{ snapshot: string }>('select pg_export_snapshot() as snapshot');
      const { there } = await one<{ there: boolean }>(
        `select to_regclass('public.company') is not null as there`,
      );
      if (!there) throw new CannotGoOn('There is nothing of Impegno in this database.');
      const { migrations } = await one<{ migrations: number }>(
        'select count(*)::int as migrations from drizzle.__drizzle_migrations',
      );
      const { postgres } = await one<{ postgres: string }>(
        `select current_setting('server_version') as postgres`,
      );
      const { rows: companies } = await client.query<{ name: string }>(
        'select name from company order by created_at',
      );
      const rows = await rowsOf(client);
      await pgTool('pg_dump', owner, [
        ...['--format=custom', '--compress=6', `--snapshot=${snapshot}`, '--no-owner'],
        `--file=${path.join(folder, DUMP)}`,
      ]);
      await client.query('commit');
      const settings = Object.fromEntries(
        Object.entries(process.env).filter(([name]) => KEPT_SETTINGS.test(name)),
      );
      await fs.writeFile(path.join(folder, SETTINGS), JSON.stringify(settings, null, 2), { mode: 0o600 });
      const about = {
        ...{ application: await versionOfApplication(), madeAt: now.toISOString() },
        ...{ postgres, migrations, rows, companies: companies.map(({ name }) => name) },
      };
      const manifest = await pack(folder, about, path.resolve(file), passphrase);
      await inFolder((again) => unpack(path.resolve(file), again, passphrase));
      return manifest;
    });
  } finally {
    await client.end();
  }
}
