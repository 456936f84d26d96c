import { randomBytes } from 'node:crypto';
import fs from 'node:fs/promises';
import path from 'node:path';
import type { Client } from 'pg';
import { migrateDatabase } from '@/data/upkeep/migrate';
import { makeRoles, openTo } from '@/data/upkeep/roles';
import { asking } from './asking';
import { CannotGoOn } from './cannotGoOn';
import type { Manifest } from './archive';
import { DUMP, SETTINGS, unpack } from './archive';
import { inFolder, rowsOf } from './make';
import { pgTool } from './pgTools';

const databaseUrl = (url: string, name: string) => {
  const address = new URL(url);
  address.pathname = `/${name}`;
  return address.href;
};

const nameOf = (url: string) => decodeURIComponent(new URL(url).pathname.slice(1));

const exists = async (client: Client, name: string) =>
  (await client.query('select 1 from pg_database where datname = $1', [name])).rows.length > 0;

/** Whether there is work of somebody in a database. */
const isUsed = (url: string) =>
  asking(url, async (client) => {
    const { rows } = await client.query<{ there: boolean }>(
      `select to_regclass('public.company') is not null as there`,
    );
    return rows[0]!.there && (await client.query('select 1 from company limit 1')).rows.length > 0;
  });

const connectedTo = async (client: Client, name: string) =>
  (
    await client.query<{ n: number }>(
      `select count(*)::int as n from pg_stat_activity where datname = $1 and backend_type = 'client backend'`,
      [name],
    )
  ).rows[0]!.n;

/** Databases that a restore was cut off in: whoever is at work in one is connected to it. */
async function removeRemains(client: Client, name: string): Promise<void> {
  const { rows } = await client.query<{ datname: string }>(
    `select datname from pg_database where starts_with(datname, $1)`,
    [`${name}_restoring_`],
  );
  for (const { datname } of rows)
    if ((await connectedTo(client, datname)) === 0) await client.query(`drop database "${datname}"`);
}

/** Refuses what would not be as it was. */
async function refuseOtherRows(url: string, manifest: Manifest): Promise<void> {
  const there = await asking(url, rowsOf);
  const other = Object.entries(manifest.rows).filter(([table, count]) => there[table] !== count);
  if (other.length > 0)
    throw new CannotGoOn(
      `What was restored is not what was kept: ${other
        .slice(0, 5)
        .map(([table, count]) => `${table} has ${there[table] ?? 'no'} rows instead of ${count}`)
        .join(', ')}.`,
    );
}

const settingsIn = async (folder: string) =>
  JSON.parse(await fs.readFile(path.join(folder, SETTINGS), 'utf8')) as Record<string, string>;

/** The configuration that went with a backup. @throws CannotGoOn with a sentence */
export const readSettings = (file: string, passphrase: string | null) =>
  inFolder(async (folder) => {
    await unpack(file, folder, passphrase);
    return settingsIn(folder);
  });

/** What became of a restore. */
export interface Restored {
  readonly manifest: Manifest;
  /** The configuration that went with the backup. */
  readonly settings: Readonly<Record<string, string>>;
  /** What the database is called that stood in its place; null: there was none, or an empty one. */
  readonly before: string | null;
}

/**
 * Restores a backup: into a database beside, checked and brought up to date there, which takes its place in one step when
 * all is well. Cut off before that, everything is as it was.
 * @param owner how whoever keeps the database logs in; may make databases and roles
 * @param server how the server logs in
 * @param replace what stands in its place is kept under another name; else a database with work in it is not touched
 * @throws CannotGoOn with a sentence
 */
export async function restoreBackup(
  file: string,
  {
    owner,
    server,
    replace,
    passphrase,
    now,
  }: {
    readonly owner: string;
    readonly server: string;
    readonly replace: boolean;
    readonly passphrase: string | null;
    readonly now: Date;
  },
): Promise<Restored> {
  const name = nameOf(owner);
  if (!/^[A-Za-z0-9_]{1,40}$/.test(name)) throw new CannotGoOn(`“${name}” is not a name for a database.`);
  return inFolder(async (folder) => {
    const manifest = await unpack(file, folder, passphrase);
    const settings = await settingsIn(folder);
    const beside = `${name}_restoring_${randomBytes(4).toString('hex')}`;
    const besideUrl = databaseUrl(owner, beside);
    await makeRoles(owner, server);
    return asking(databaseUrl(owner, 'postgres'), async (client) => {
      const there = await exists(client, name);
      const used = there && (await isUsed(owner));
      if (used && !replace)
        throw new CannotGoOn(
          `There is work in the database ${name}. Restore into an empty one, or say --replace: what is there is kept under another name.`,
        );
      await removeRemains(client, name);
      await client.query(`create database "${beside}" template template0 encoding 'UTF8'`);
      try {
        await pgTool('pg_restore', besideUrl, [
          ...['--no-owner', '--exit-on-error', '--single-transaction'],
          path.join(folder, DUMP),
        ]);
        await refuseOtherRows(besideUrl, manifest);
        await migrateDatabase(besideUrl);
        await asking(besideUrl, (inside) => openTo(server, inside));
        if (there && (await connectedTo(client, name)) > 0)
          throw new CannotGoOn(`Something is connected to the database ${name}. Stop the server first.`);
        const before = there ? `${name}_before_${now.toISOString().replace(/\D/g, '').slice(0, 14)}` : null;
        await client.query('begin');
        if (before) await client.query(`alter database "${name}" rename to "${before}"`);
        await client.query(`alter database "${beside}" rename to "${name}"`);
        await client.query('commit');
        if (before && !used) await client.query(`drop database "${before}"`);
        return { manifest, settings, before: used ? before : null };
      } catch (error) {
        await client.query('rollback').catch(() => undefined);
        await client.query(`drop database if exists "${beside}" with (force)`).catch(() => undefined);
        throw error;
      }
    });
  });
}
