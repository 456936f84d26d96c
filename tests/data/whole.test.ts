import { spawn } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs/promises';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import * as tar from 'tar';
import { asking } from '../../scripts/backup/asking';
import { exportCompany } from '../../scripts/whole/export';
import { importCompany } from '../../scripts/whole/import';
import { closeConnection } from '@/data/connection';
import { ensureDatabase } from '@/data/upkeep/migrate';
import { openTo } from '@/data/upkeep/roles';
import type { Actor } from '@/services/actor';
import { actorOf } from '@/services/accounts/session';
import { customerList } from '@/services/customers/customerList';
import { demoAccount } from '@/services/entering/demoAccount';
import { signIn } from '@/services/entering/signIn';
import { readList } from '@/services/lists/deskList';
import { readAgreement } from '@/services/agreements/read';
import { proposalList } from '@/services/proposals/proposalList';
import { readMoneyReport } from '@/services/reports/moneyReport';

const DEMO = 'Quillbank Porch & Attic Builders';
const owner = process.env.DATABASE_OWNER_URL!;
const server = process.env.DATABASE_URL!;
const named = (url: string, name: string) => {
  const at = new URL(url);
  at.pathname = `/${name}`;
  return at.href;
};
const made: string[] = [];
let folder: string;
let file: string;
let actor: Actor;

/** An empty database beside this one. */
async function emptyDatabase(): Promise<{ owner: string; server: string }> {
  const name = `whole_${process.pid}_${made.length}`;
  made.push(name);
  const there = { owner: named(owner, name), server: named(server, name) };
  await ensureDatabase(there.owner);
  return there;
}

async function connectedTo<T>(there: { owner: string; server: string }, work: () => Promise<T>): Promise<T> {
  await asking(there.owner, (client) => openTo(there.server, client));
  await closeConnection();
  Object.assign(process.env, { DATABASE_URL: there.server, DATABASE_OWNER_URL: there.owner });
  try {
    return await work();
  } finally {
    await closeConnection();
    Object.assign(process.env, { DATABASE_URL: server, DATABASE_OWNER_URL: owner });
  }
}

beforeAll(async () => {
  folder = await fs.mkdtemp(path.join('/var/tmp', 'impegno-whole-test-'));
  file = path.join(folder, 'one.tar.gz');
  await exportCompany(owner, DEMO, file, new Date('2026-12-01T10:00:00Z'));
  const found = await signIn({ ...demoAccount, browser: 'test' }, new Date(), {
    from: `whole ${process.pid}`,
    device: undefined,
  });
  if (!('token' in found)) throw new Error('A code is asked for.');
  actor = (await actorOf(found.token, new Date()))!;
}, 120_000);

afterAll(async () => {
  await closeConnection();
  await asking(named(owner, 'postgres'), async (client) => {
    for (const name of made) await client.query(`drop database if exists "${name}" with (force)`);
  });
  await fs.rm(folder, { recursive: true, force: true });
});

/** The figures a company goes by. */
async function figures() {
  const agreements = await asking(process.env.DATABASE_OWNER_URL!, async (client) =>
    (
      await client.query<{ id: string }>('select id from agreement where company_id = $1 order by number', [
        actor.companyId,
      ])
    ).rows.map(({ id }) => id),
  );
  return {
    money: await readMoneyReport(actor, 'age'),
    proposals: await readList(actor, proposalList, {}),
    customers: await readList(actor, customerList, {}),
    agreements: await Promise.all(agreements.map((id) => readAgreement(actor, id))),
  };
}

test('everything of a company goes into an empty installation, and comes to the same figures', async () => {
  const before = await figures();
  const there = await emptyDatabase();
  const manifest = await importCompany(there.owner, file);
  expect(manifest.company.name).toBe(DEMO);
  await connectedTo(there, async () => {
    expect(await figures()).toEqual(before);
    // What only goes on stays so: the rules of the tables are on again.
    await asking(there.owner, async (client) => {
      await expect(client.query(`update invoice set total = 0`)).rejects.toThrow(/append-only/);
      const { rows } = await client.query(
        `select count(*)::int as off from pg_trigger where tgenabled = 'D' and not tgisinternal`,
      );
      expect(rows[0]).toEqual({ off: 0 });
      const { rows: keys } = await client.query(
        `select count(*)::int as n from pg_constraint where contype = 'f' and condeferrable and connamespace = 'public'::regnamespace`,
      );
      expect(keys[0]).toEqual({ n: 0 });
      // Nobody comes in with a password of before.
      expect(
        (await client.query('select 1 from person where password_hash is not null or totp is not null')).rows,
      ).toEqual([]);
    });
  });
  // Taken out again there, it is the same to the byte: nothing was rounded, cut or lost on the way.
  const again = await exportCompany(there.owner, null, path.join(folder, 'two.tar.gz'), new Date());
  expect(again.rows).toEqual(manifest.rows);
  const differing = Object.keys(manifest.parts).filter(
    (part) => part !== 'README.md' && again.parts[part]?.sha256 !== manifest.parts[part]!.sha256,
  );
  expect(differing).toEqual([]);
}, 120_000);

test('it is open: rows as JSON with amounts as text, files as they are, nothing that lets somebody in', async () => {
  const open = path.join(folder, 'open');
  await fs.mkdir(open);
  await tar.extract({ file, cwd: open });
  const rows = async (name: string) =>
    (await fs.readFile(path.join(open, 'tables', `${name}.jsonl`), 'utf8'))
      .split('\n')
      .filter(Boolean)
      .map((line) => JSON.parse(line) as Record<string, unknown>);
  expect((await rows('company')).map(({ name }) => name)).toEqual([DEMO]);
  for (const { total } of await rows('invoice')) expect(typeof total).toBe('string');
  const [picture] = await rows('kept_file');
  const { file: place } = picture!.bytes as { file: string };
  const bytes = await fs.readFile(path.join(open, place));
  expect(bytes.subarray(0, 2)).toEqual(
    picture!.media_type === 'image/png' ? Buffer.from([0x89, 0x50]) : Buffer.from([0xff, 0xd8]),
  );
  const all = gunzipSync(await fs.readFile(file)).toString('latin1');
  expect(['"password_hash"', '"totp"', '"token_hash"'].map((word) => [word, all.includes(word)])).toEqual([
    ['"password_hash"', false],
    ['"totp"', false],
    // Links in letters that went out still open what they opened.
    ['"token_hash"', true],
  ]);
  for (const name of ['link', 'message'])
    for (const row of await rows(name)) expect(Object.keys(row)).not.toContain('sealed');
  expect(await fs.readdir(path.join(open, 'tables'))).not.toContain('session.jsonl');
});

test('where there is a company already nothing comes in; a damaged or foreign archive is refused', async () => {
  const there = await emptyDatabase();
  const damaged = path.join(folder, 'damaged.tar.gz');
  const work = path.join(folder, 'work');
  await fs.mkdir(work);
  await tar.extract({ file, cwd: work });
  await fs.appendFile(path.join(work, 'tables', 'customer.jsonl'), '\n{"id":"x"}\n');
  await tar.create({ file: damaged, cwd: work, gzip: true }, await fs.readdir(work));
  await expect(importCompany(there.owner, damaged)).rejects.toThrow(/damaged: tables\/customer\.jsonl/);
  const foreign = path.join(folder, 'foreign.tar.gz');
  await fs.writeFile(foreign, 'nothing of ours');
  await expect(importCompany(there.owner, foreign)).rejects.toThrow(/no archive of a company/);
  // An older state of the tables.
  const manifest = JSON.parse(await fs.readFile(path.join(work, 'manifest.json'), 'utf8')) as {
    migrations: number;
  };
  await fs.rm(work, { recursive: true });
  await fs.mkdir(work);
  await tar.extract({ file, cwd: work });
  await fs.writeFile(
    path.join(work, 'manifest.json'),
    JSON.stringify({ ...manifest, migrations: manifest.migrations - 1 }),
  );
  const older = path.join(folder, 'older.tar.gz');
  await tar.create({ file: older, cwd: work, gzip: true }, await fs.readdir(work));
  await expect(importCompany(there.owner, older)).rejects.toThrow(/Bring it in with that version/);
  await importCompany(there.owner, file);
  await expect(importCompany(there.owner, file)).rejects.toThrow(/There is a company here already/);
}, 120_000);

test('killed in the middle nothing of it is there, and it comes in the next time', async () => {
  const there = await emptyDatabase();
  await asking(there.owner, async (client) => {
    const run = spawn(process.execPath, ['--import', 'tsx', 'scripts/importCompany.ts', file], {
      env: { ...process.env, DATABASE_OWNER_URL: there.owner, NODE_OPTIONS: '' },
      stdio: 'ignore',
    });
    const over = once(run, 'exit');
    for (;;) {
      const { rows } = await client.query(
        `select 1 from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()
         and query ~ 'jsonb_populate_recordset' and query ~ '"(agreement|invoice|proposal)"'`,
      );
      if (rows.length > 0 || run.exitCode !== null) break;
      await new Promise((done) => setTimeout(done, 2));
    }
    expect(run.exitCode).toBeNull();
    run.kill('SIGKILL');
    await over;
  });
  const companies = () =>
    asking(there.owner, async (client) => (await client.query('select name from company')).rows);
  expect(await companies()).toEqual([]);
  await importCompany(there.owner, file);
  expect(await companies()).toEqual([{ name: DEMO }]);
}, 120_000);
