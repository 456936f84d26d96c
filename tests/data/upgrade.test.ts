/*
 * An installation of any earlier state comes to this one with its data: demos of their time, taken through every later
 * migration, each by itself, as an installation that was brought up to date at every step.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs/promises';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { Client } from 'pg';
import { asking } from '../../scripts/backup/asking';
import { closeConnection } from '@/data/connection';
import { ensureDatabase, migrateDatabase } from '@/data/upkeep/migrate';
import { openTo } from '@/data/upkeep/roles';
import { suggestedTotal } from '@/core/offer';
import type { ProposalDocument } from '@/model';
import { permissionKeys } from '@/model';
import type { Actor } from '@/services/actor';
import { readAgreement } from '@/services/agreements/read';
import { readProposal } from '@/services/proposals/read';
import { readMoneyReport } from '@/services/reports/moneyReport';

const owner = process.env.DATABASE_OWNER_URL!;
const server = process.env.DATABASE_URL!;
const named = (url: string, name: string) => {
  const at = new URL(url);
  at.pathname = `/${name}`;
  return at.href;
};
const states = path.join(process.cwd(), 'tests', 'upgrade');
const migrations = path.join(process.cwd(), 'src', 'data', 'migrations');
const made: string[] = [];
let folder: string;

beforeAll(async () => {
  folder = await fs.mkdtemp(path.join('/var/tmp', 'impegno-upgrade-'));
  await fs.cp(migrations, folder, { recursive: true });
});

afterAll(async () => {
  await closeConnection();
  await asking(named(owner, 'postgres'), async (client) => {
    for (const name of made) await client.query(`drop database if exists "${name}" with (force)`);
  });
  await fs.rm(folder, { recursive: true, force: true });
});

interface Journal {
  readonly entries: readonly { readonly idx: number }[];
}

/** The database of a state, as it was. */
async function databaseOf(state: number): Promise<string> {
  const name = `upgrade_${process.pid}_${state}`;
  made.push(name);
  const url = named(owner, name);
  await ensureDatabase(url);
  const file = path.join(states, `${String(state).padStart(2, '0')}.sql.gz`);
  // What a newer client writes and an older one does not know.
  const text = gunzipSync(await fs.readFile(file))
    .toString('utf8')
    .replace(/^\\(un)?restrict .*$/gm, '');
  const bin = process.env.IMPEGNO_PG_BIN;
  const at = new URL(url);
  const password = decodeURIComponent(at.password);
  at.password = '';
  const psql = spawn(
    bin ? path.join(bin, 'psql') : 'psql',
    ['--quiet', '--no-psqlrc', '--set=ON_ERROR_STOP=1', `--dbname=${at.href}`],
    { env: { ...process.env, PGPASSWORD: password }, stdio: ['pipe', 'ignore', 'pipe'] },
  );
  let wrong = '';
  psql.stderr.on('data', (part: Buffer) => (wrong += part.toString()));
  psql.stdin.end(text);
  const [code] = (await once(psql, 'exit')) as [number];
  expect({ code, wrong }).toEqual({ code: 0, wrong: '' });
  return url;
}

/** One migration more, as an installation of that time would run it. */
async function step(url: string, count: number, journal: Journal): Promise<void> {
  await fs.writeFile(
    path.join(folder, 'meta', '_journal.json'),
    JSON.stringify({ ...journal, entries: journal.entries.slice(0, count) }),
  );
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    await client.query('set client_min_messages to warning');
    await migrate(drizzle(client), { migrationsFolder: folder });
  } finally {
    await client.end();
  }
}

/** What nothing may change: how many papers of each kind there are, and what they come to. */
const sums = (url: string) =>
  asking(url, async (client) => {
    const { rows } = await client.query<{ figures: unknown }>(`
      select json_build_object(
        'proposals', (select json_build_array(count(*), sum(total)) from proposal),
        'revisions', (select json_agg(sha256 order by sha256) from revision),
        'agreements', (select json_build_array(count(*), sum(total)) from agreement),
        'invoices', (select json_build_array(count(*), sum(total)) from invoice),
        'payments', (select json_build_array(count(*), sum(amount)) from payment),
        'customers', (select count(*) from customer),
        'items', (select count(*) from item)) as figures`);
    return rows[0]!.figures;
  });

/** The owner of the company, as they are at the newest state. */
async function ownerIn(url: string): Promise<Actor> {
  const { rows } = await asking(url, (client) =>
    client.query<{ company: string; user: string; person: string; name: string }>(
      `select u.company_id as company, u.id as user, u.person_id as person, u.name
       from app_user u join role r on r.company_id = u.company_id and r.id = u.role_id
       join company c on c.id = u.company_id
       where r.kind = 'owner' order by c.created_at limit 1`,
    ),
  );
  const { company, user, person, name } = rows[0]!;
  return {
    companyId: company,
    userId: user,
    personId: person,
    name,
    role: 'Owner',
    isOwner: true,
    permissions: permissionKeys,
    discount: null,
    now: new Date(),
  };
}

test.each([2, 10, 14, 29, 35, 40, 50])(
  'a demo of %i migrations comes to the newest, migration by migration, with the figures it had',
  async (state) => {
    const journal = JSON.parse(
      await fs.readFile(path.join(migrations, 'meta', '_journal.json'), 'utf8'),
    ) as Journal;
    const url = await databaseOf(state);
    const before = await sums(url);
    for (let count = state + 1; count <= journal.entries.length; count += 1) await step(url, count, journal);
    // The application’s own way to the newest state finds nothing left but the queue.
    await migrateDatabase(url);
    expect(await sums(url)).toEqual(before);

    const there = named(server, new URL(url).pathname.slice(1));
    await asking(url, (client) => openTo(there, client));
    await closeConnection();
    Object.assign(process.env, { DATABASE_URL: there, DATABASE_OWNER_URL: url });
    try {
      const actor = await ownerIn(url);
      const { rows: proposals } = await asking(url, (client) =>
        client.query<{ id: string; total: string; document: ProposalDocument }>(
          'select id, total::text, document from proposal where company_id = $1',
          [actor.companyId],
        ),
      );
      expect(proposals.length).toBeGreaterThan(3);
      for (const { id, total, document } of proposals) {
        // Documents of any time are reckoned as they were then.
        expect({ id, total: Number(suggestedTotal(document)) }).toEqual({ id, total: Number(total) });
        const read = await readProposal(actor, id);
        expect(read.revisions.every(({ intact }) => intact)).toBe(true);
      }
      const { rows: agreements } = await asking(url, (client) =>
        client.query<{ id: string }>('select id from agreement where company_id = $1', [actor.companyId]),
      );
      for (const { id } of agreements) await readAgreement(actor, id);
      await readMoneyReport(actor, 'age');
    } finally {
      await closeConnection();
      Object.assign(process.env, { DATABASE_URL: server, DATABASE_OWNER_URL: owner });
    }
  },
  120_000,
);
