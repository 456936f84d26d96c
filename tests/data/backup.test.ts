import { execFile, spawn } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs/promises';
import path from 'node:path';
import { promisify } from 'node:util';
import { unpack } from '../../scripts/backup/archive';
import { asking } from '../../scripts/backup/asking';
import { CannotGoOn } from '../../scripts/backup/cannotGoOn';
import { backUpInto, backupsIn } from '../../scripts/backup/folder';
import { inFolder, makeBackup, rowsOf } from '../../scripts/backup/make';
import { restoreBackup } from '../../scripts/backup/restore';
import { keptBackups, readRetention } from '../../scripts/backup/retention';
import { closeConnection } from '@/data/connection';
import { actorOf } from '@/services/accounts/session';
import { demoAccount } from '@/services/entering/demoAccount';
import { signIn } from '@/services/entering/signIn';
import { messageList } from '@/services/messages/messageList';
import { readList } from '@/services/lists/deskList';
import { readMoneyReport } from '@/services/reports/moneyReport';
import { unseal } from '@/services/seal';

const owner = process.env.DATABASE_OWNER_URL!;
const here = { ...process.env };
let folder: string;
let file: string;
let second: { readonly url: string };

const clusterOf = async (what: string) => {
  const asked = promisify(execFile)(process.execPath, ['scripts/cluster.mjs', what], {
    env: { ...here, IMPEGNO_DATA_DIR: path.join(folder, 'cluster'), NODE_OPTIONS: '' },
  });
  return JSON.parse((await asked).stdout) as { url: string };
};

/** How the owner and the server of a database of the second cluster log in. */
const elsewhere = (name: string) => {
  const at = new URL(second.url);
  at.pathname = `/${name}`;
  const server = new URL(at);
  Object.assign(server, { username: 'impegno_server', password: 'another-password-4' });
  return { owner: at.href, server: server.href };
};

const databases = async () =>
  asking(second.url, async (client) =>
    (await client.query<{ datname: string }>('select datname from pg_database order by 1')).rows.map(
      ({ datname }) => datname,
    ),
  );

beforeAll(async () => {
  folder = await fs.mkdtemp(path.join('/var/tmp', 'impegno-backup-test-'));
  await fs.chmod(folder, 0o755);
  file = path.join(folder, 'one.backup');
  await makeBackup(owner, file, null, new Date());
  second = await clusterOf('start');
}, 120_000);

afterAll(async () => {
  await closeConnection();
  await clusterOf('stop');
  await fs.rm(folder, { recursive: true, force: true });
});

/** What a company owes and letters it sent, as its owner sees it after signing in. */
async function seen() {
  const found = await signIn({ ...demoAccount, browser: 'test' }, new Date(), {
    from: `backup ${process.pid} ${Date.now()}`,
    device: undefined,
  });
  if (!('token' in found)) throw new Error('A code is asked for.');
  const actor = (await actorOf(found.token, new Date()))!;
  const { list } = { list: await readList(actor, messageList, {}) };
  return {
    name: actor.name,
    money: await readMoneyReport(actor, 'age'),
    letters: list.count,
  };
}

test('restored into another cluster: one signs in there, and everything is as it was', async () => {
  const there = elsewhere('moved');
  const before = await seen();
  const {
    manifest,
    settings,
    before: replaced,
  } = await restoreBackup(file, {
    ...{ ...there, replace: false, passphrase: null, now: new Date() },
  });
  expect(replaced).toBeNull();
  expect(settings.IMPEGNO_SECRET).toBe(process.env.IMPEGNO_SECRET);
  expect(Object.keys(settings).filter((key) => /DATABASE|PG|BACKUP/.test(key))).toEqual([]);
  expect(manifest.companies).toContain('Quillbank Porch & Attic Builders');
  await closeConnection();
  Object.assign(process.env, { DATABASE_URL: there.server, DATABASE_OWNER_URL: there.owner });
  try {
    expect(await seen()).toEqual(before);
    // What is sealed there opens with the secret that came along.
    await asking(there.owner, async (client) => {
      const { rows } = await client.query<{ id: string; sealed: string }>(
        'select id, sealed from link limit 1',
      );
      expect(unseal(rows[0]!.sealed, rows[0]!.id)).not.toBeNull();
    });
  } finally {
    await closeConnection();
    Object.assign(process.env, {
      DATABASE_URL: here.DATABASE_URL,
      DATABASE_OWNER_URL: here.DATABASE_OWNER_URL,
    });
  }
}, 60_000);

test('a database with work in it is left alone, unless it is to be replaced: then it is kept beside', async () => {
  const there = elsewhere('used');
  const ask = (replace: boolean) =>
    restoreBackup(file, { ...there, replace, passphrase: null, now: new Date('2026-11-30T10:20:30Z') });
  await ask(false);
  await asking(there.owner, (client) => client.query(`update company set name = 'Changed since'`));
  await expect(ask(false)).rejects.toThrow(/There is work in the database used/);
  await asking(there.owner, async () => {
    await expect(ask(true)).rejects.toThrow(/Something is connected/);
  });
  expect((await ask(true)).before).toBe('used_before_20261130102030');
  const nameIn = (url: string) =>
    asking(
      url,
      async (client) => (await client.query('select distinct name from company order by 1')).rows[0],
    );
  expect(await nameIn(there.owner)).not.toEqual({ name: 'Changed since' });
  expect(await nameIn(elsewhere('used_before_20261130102030').owner)).toEqual({ name: 'Changed since' });
}, 120_000);

test('killed in the middle of a restore: nothing half, and what it left goes with the next', async () => {
  const there = elsewhere('cut');
  const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/restore.ts', file], {
    env: { ...here, NODE_OPTIONS: '', DATABASE_OWNER_URL: there.owner, DATABASE_URL: there.server },
    stdio: 'ignore',
  });
  for (let tries = 0; tries < 400; tries += 1) {
    if ((await databases()).some((name) => name.startsWith('cut_restoring'))) break;
    await new Promise((resolve) => setTimeout(resolve, 25));
  }
  child.kill('SIGKILL');
  await once(child, 'exit');
  const left = await databases();
  expect(left.some((name) => name.startsWith('cut_restoring'))).toBe(true);
  expect(left).not.toContain('cut');
  // The tool it had begun ends by itself when nobody listens; then its database is nobody's.
  for (let quiet = 0; quiet < 20;) {
    const { rows } = await asking(second.url, (client) =>
      client.query(`select 1 from pg_stat_activity where datname like 'cut_restoring%'`),
    );
    quiet = rows.length === 0 ? quiet + 1 : 0;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  await restoreBackup(file, { ...there, replace: false, passphrase: null, now: new Date() });
  expect((await databases()).filter((name) => name.startsWith('cut'))).toEqual(['cut']);
}, 60_000);

test('a backup that was damaged, cut short, sealed otherwise or is none is refused before anything is done', async () => {
  const bytes = await fs.readFile(file);
  const refused = async (name: string, content: Buffer) => {
    const other = path.join(folder, name);
    await fs.writeFile(other, content);
    const ask = restoreBackup(other, {
      ...{ ...elsewhere('never'), replace: false, passphrase: 'other words', now: new Date() },
    });
    await expect(ask).rejects.toThrow(CannotGoOn);
  };
  const flipped = Buffer.from(bytes);
  flipped[Math.floor(bytes.length / 2)]! ^= 1;
  await refused('flipped', flipped);
  await refused('short', bytes.subarray(0, bytes.length / 2));
  await refused('none', Buffer.from('This is a letter.'));
  await refused('empty', Buffer.alloc(0));
  const sealed = path.join(folder, 'sealed');
  await makeBackup(owner, sealed, 'porch lantern', new Date());
  expect((await fs.readFile(sealed)).includes('Quillbank')).toBe(false);
  await refused('sealed otherwise', await fs.readFile(sealed));
  await inFolder(async (empty) => {
    expect((await unpack(sealed, empty, 'porch lantern')).format).toBe('impegno-backup');
  });
  expect(await databases()).not.toContain('never');
}, 60_000);

test('what is counted is of one moment, whoever writes meanwhile', async () => {
  const there = elsewhere('busy');
  let writing = true;
  const writer = (async () => {
    await asking(owner, async (client) => {
      while (writing) await client.query(`insert into attempt (bucket, at) values ('backup test', now())`);
      await client.query(`delete from attempt where bucket = 'backup test'`);
    });
  })();
  const busy = path.join(folder, 'busy.backup');
  try {
    await makeBackup(owner, busy, null, new Date());
  } finally {
    writing = false;
    await writer;
  }
  const { manifest } = await restoreBackup(busy, {
    ...there,
    replace: false,
    passphrase: null,
    now: new Date(),
  });
  expect((await asking(there.owner, rowsOf)).attempt).toBe(manifest.rows.attempt);
}, 60_000);

test('into a folder: what need not be kept any more goes, only after the new one is whole', async () => {
  const into = path.join(folder, 'kept');
  const days = ['2026-11-01', '2026-11-02', '2026-11-09', '2026-11-10'];
  const made = (day: string) => new Date(`${day}T02:30:00Z`);
  await fs.mkdir(into);
  const name = new URL(owner).pathname.slice(1);
  for (const day of days)
    await fs.writeFile(path.join(into, `impegno-${name}-${day.replaceAll('-', '')}-023000.backup`), 'old');
  await fs.writeFile(path.join(into, `impegno-${name}-20261110-030000.backup.part`), 'cut off');
  await fs.writeFile(path.join(into, 'of somebody else.txt'), 'stays');
  const ask = { passphrase: null, retention: readRetention('2 1 0'), now: made('2026-11-11') };
  const nowhere = new URL(owner);
  nowhere.pathname = `/${name}`;
  nowhere.password = 'wrong';
  await expect(backUpInto(into, nowhere.href, ask)).rejects.toThrow();
  expect(await backupsIn(into, owner)).toHaveLength(4);
  const { removed } = await backUpInto(into, owner, ask);
  expect(removed).toBe(3);
  expect((await fs.readdir(into)).sort()).toEqual(
    [
      `impegno-${name}-20261110-023000.backup`,
      `impegno-${name}-20261111-023000.backup`,
      'of somebody else.txt',
    ].sort(),
  );
}, 60_000);

test('how long backups are kept: the newest of each day, week and month', () => {
  const daily = Array.from({ length: 400 }, (_, i) => ({
    at: new Date(Date.UTC(2026, 10, 30) - i * 24 * 3600_000),
  }));
  const kept = [...keptBackups(daily, { days: 7, weeks: 4, months: 12 })].map(({ at }) =>
    at.toISOString().slice(0, 10),
  );
  expect(kept.slice(0, 7)).toEqual([
    '2026-11-30',
    '2026-11-29',
    '2026-11-28',
    '2026-11-27',
    '2026-11-26',
    '2026-11-25',
    '2026-11-24',
  ]);
  // Weeks from Monday: that of the 30th, then their Sundays; months by their last day.
  expect(kept).toEqual(expect.arrayContaining(['2026-11-22', '2026-11-15', '2026-10-31', '2025-12-31']));
  expect(kept).not.toContain('2026-11-08');
  expect(kept).toHaveLength(7 + 2 + 11);
  expect(keptBackups([], { days: 1, weeks: 1, months: 1 }).size).toBe(0);
  expect(readRetention('7 4')).toBeNull();
  expect(readRetention('0 0 0')).toBeNull();
});
