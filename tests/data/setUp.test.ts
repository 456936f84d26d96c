/* The first company of an empty database, and the demo that makes room for it; each in a database of its own. */
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { Client } from 'pg';
import { closeConnection } from '@/data/connection';
import { actorOf } from '@/services/accounts/session';
import { readSetUp, setUp, setUpAnother, setUpKey } from '@/services/entering/setUp';
import { demoAccount } from '@/services/entering/demoAccount';
import { takeStartingLibrary } from '@/services/library/starting/take';
import { putStepAside, readChecklist } from '@/services/settings/checklist';
import { readOwnCompany, saveCompany } from '@/services/settings/company';
import { removeDemo } from '@/services/settings/removeDemo';
import { listItems } from '@/services/library/library';
import { listBundles } from '@/services/library/bundles';
import { invite } from '@/services/people/invite';
import { refusal } from '../support/desk';
import { signedIn } from '../support/signedIn';

const owner = process.env.DATABASE_OWNER_URL!;
const server = process.env.DATABASE_URL!;
const made: string[] = [];

const asked = async (address: string, question: string): Promise<Record<string, unknown>[]> => {
  const client = new Client({ connectionString: address });
  await client.connect();
  try {
    return (await client.query<Record<string, unknown>>(question)).rows;
  } finally {
    await client.end();
  }
};

/** A database of its own that this process serves from now on. */
function serveNew(kind: string, ...flags: string[]): string {
  const name = `impegno_setup_${kind}_${process.pid}`;
  const at = (address: string) => {
    const url = new URL(address);
    url.pathname = `/${name}`;
    return url.href;
  };
  const env = { ...process.env, DATABASE_OWNER_URL: at(owner), DATABASE_URL: at(server), NODE_OPTIONS: '' };
  const prepared = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/prepare.ts', ...flags], { env });
  if (prepared.status !== 0) throw new Error(String(prepared.stderr));
  process.env.DATABASE_URL = at(server);
  made.push(name);
  return at(owner);
}

afterEach(closeConnection);
afterAll(async () => {
  for (const name of made) await asked(owner, `drop database if exists "${name}" with (force)`);
});

const where = { browser: 'test', from: `set-up ${process.pid} ${Date.now()}` };
const company = {
  name: 'Marl & Daughters',
  address: { street: '', city: '', region: '', postcode: '', country: 'US' },
  ...{ email: '', phone: '', website: '', taxNumber: '', licence: '' },
  ...{ currency: 'USD', timeZone: 'America/New_York', units: 'us' as const },
};
const person = { name: 'Tansy Marl', email: 'tansy@marl.example', password: 'walnut-harbor-skein' };
const input = { company, owner: person, key: '' };

test('an empty database: one company of two that are set up at once, and its owner is in', async () => {
  const database = serveNew('empty', '--empty');
  expect(await asked(database, 'select 1 from company')).toEqual([]);
  expect(await readSetUp()).toEqual({ open: true, asksForKey: false });
  const wrong = async (change: Partial<typeof company>) =>
    (await refusal(setUp({ ...input, company: { ...company, ...change } }, where, new Date()))).code;
  expect(await wrong({ currency: 'XQZ' })).toBe('unknown-currency');
  expect(await wrong({ timeZone: 'Marrowby/Nowhere' })).toBe('unknown-time-zone');
  expect(
    await refusal(setUp({ ...input, owner: { ...person, password: 'tansy marl' } }, where, new Date())),
  ).toMatchObject({ code: 'password-guessed' });

  const two = await Promise.allSettled([
    setUp(input, where, new Date()),
    setUp({ ...input, owner: { ...person, email: 'other@marl.example' } }, where, new Date()),
  ]);
  const opened = two.flatMap((each) => (each.status === 'fulfilled' ? [each.value] : []));
  expect(opened).toHaveLength(1);
  expect((await asked(database, 'select name, demo from company'))[0]).toEqual({
    name: company.name,
    demo: false,
  });
  expect(await asked(database, 'select 1 from person')).toHaveLength(1);
  expect(await refusal(setUp(input, where, new Date()))).toMatchObject({ code: 'set-up-already' });
  const actor = (await actorOf(opened[0]!.token, new Date()))!;
  expect(actor).toMatchObject({ isOwner: true, role: 'Owner' });

  // The checklist: what is done is derived, the rest can be put aside and taken up again.
  const todo = async () =>
    (await readChecklist(actor)).filter(({ state }) => state === 'to do').map(({ key }) => key);
  expect(await todo()).toEqual([
    ...[
      'company',
      'taxes',
      'markups',
      'schedule',
      'terms',
      'numbers',
      'library',
      'people',
      'letters',
      'proposal',
    ],
  ]);
  const { currency: _, ...details } = company;
  const filled = {
    ...{ ...details, logo: null, color: null, phone: '(000) 555-0101', email: 'office@marl.example' },
    address: { ...company.address, street: '2 Kiln Row', city: 'Marrowby' },
  };
  await saveCompany(actor, filled);
  // A color that is not read on paper is refused; one that is stands.
  const look = (color: string) => saveCompany(actor, { ...filled, color });
  expect((await refusal(look('#ffd800'))).code).toBe('color-too-light');
  expect((await look('#7a1f3d')).color).toBe('#7a1f3d');
  for (const key of ['taxes', 'markups', 'schedule', 'terms', 'numbers', 'people', 'letters'])
    await putStepAside(actor, { key, aside: true });
  expect(await todo()).toEqual(['library', 'proposal']);
  await putStepAside(actor, { key: 'terms', aside: false });
  expect(await todo()).toContain('terms');

  // The starting library, with what its bundles need; asked again, nothing is added twice.
  const taken = await takeStartingLibrary(actor, { trades: ['Attic and lining'] });
  expect(taken.items).toBeGreaterThan(5);
  const again = await takeStartingLibrary(actor, { trades: ['Attic and lining'] });
  expect(again).toEqual({ items: 0, bundles: 0 });
  const items = await listItems(actor);
  expect(items.length).toBe(taken.items);
  expect((await listBundles(actor)).length).toBe(taken.bundles);
  const notes = await asked(
    database,
    `select count(*)::int as n from item where internal_note like 'Made up%'`,
  );
  expect(notes[0]!.n).toBe(taken.items);

  // A second company of the same owner, apart from the first.
  const second = await setUpAnother(actor, { ...company, name: 'Second Yard' }, where);
  const there = (await actorOf(second.token, new Date()))!;
  expect(there.companyId).not.toBe(actor.companyId);
  expect(there.personId).toBe(actor.personId);
  expect(await listItems(there)).toEqual([]);
  expect(await refusal(removeDemo(actor, company.name))).toMatchObject({ code: 'not-a-demo' });
}, 120_000);

test('where strangers come by, the key of the server is asked for', async () => {
  process.env.IMPEGNO_SETUP = 'key';
  try {
    const key = setUpKey()!;
    expect(key).toMatch(/^[0-9a-f]{16}$/);
    serveNew('key', '--empty');
    for (const wrong of ['', key.slice(0, 15), `${key.slice(0, 15)}x`, `${key} ${key}`])
      expect(await refusal(setUp({ ...input, key: wrong }, where, new Date()))).toMatchObject({
        code: 'set-up-key-wrong',
      });
    expect(await setUp({ ...input, key: ` ${key} ` }, where, new Date())).toMatchObject({});
  } finally {
    delete process.env.IMPEGNO_SETUP;
  }
}, 120_000);

test('the demo says it is one, and is removed as a whole by its owner, who types its name', async () => {
  const database = serveNew('demo');
  const { token } = await signedIn({ ...demoAccount, browser: 'test' }, new Date());
  const actor = (await actorOf(token, new Date()))!;
  const { name, demo } = await readOwnCompany(actor);
  expect(demo).toBe(true);
  expect(await readChecklist(actor)).toEqual([]);
  // What is set up beside it is of the demo too.
  await setUpAnother(actor, company, where);
  expect(await asked(database, 'select 1 from company where not demo')).toEqual([]);
  expect(await refusal(removeDemo(actor, 'Another'))).toMatchObject({ code: 'name-other' });
  await removeDemo(actor, name);
  const tables = await asked(
    database,
    `select c.relname as name from pg_class c join pg_namespace n on n.oid = c.relnamespace
     where n.nspname = 'public' and c.relkind = 'r' and c.relname <> 'attempt'`,
  );
  for (const { name: table } of tables)
    expect([table, await asked(database, `select 1 from "${String(table)}" limit 1`)]).toEqual([table, []]);
  // Then one’s own company is set up there, and no published password is left.
  await setUp(input, where, new Date());
  expect(await asked(database, 'select email from person')).toEqual([{ email: person.email }]);
  expect(await asked(database, 'select 1 from company where demo')).toEqual([]);
}, 240_000);

/** Does an act in a process of its own and kills that at its last step, before anything is stored. */
async function killedAt(
  address: string,
  given: { act: 'set up' | 'invite'; actor: unknown; input: unknown },
) {
  const client = new Client({ connectionString: address });
  await client.connect();
  try {
    // What is done is put on record at the end: that has to wait here.
    await client.query('begin');
    await client.query('lock table audit in share row exclusive mode');
    const run = spawn(
      process.execPath,
      ['--import', 'tsx', 'tests/support/actAlone.ts', JSON.stringify(given)],
      {
        env: { ...process.env, NODE_OPTIONS: '' },
        stdio: ['ignore', 'pipe', 'inherit'],
      },
    );
    let said = '';
    run.stdout.on('data', (part: Buffer) => (said += part.toString()));
    const over = once(run, 'exit');
    for (;;) {
      const { rows } = await client.query(
        `select 1 from pg_locks where relation = 'audit'::regclass and not granted`,
      );
      if (rows.length > 0 || run.exitCode !== null) break;
      await new Promise((done) => setTimeout(done, 10));
    }
    expect({ exit: run.exitCode, said }).toEqual({ exit: null, said: '' });
    run.kill('SIGKILL');
    await over;
    await client.query('rollback');
    // The server notices that nobody is there any more.
    for (;;) {
      const { rows } = await client.query(
        `select 1 from pg_locks where relation = 'audit'::regclass and pid <> pg_backend_pid()`,
      );
      if (rows.length === 0) break;
      await new Promise((done) => setTimeout(done, 10));
    }
  } finally {
    await client.end();
  }
}

test('killed in the middle of the set-up nothing of it is there; asked again it is done', async () => {
  const address = serveNew('killed', '--empty');
  await killedAt(address, { act: 'set up', actor: null, input });
  for (const table of ['company', 'person', 'app_user', 'role', 'audit'])
    expect([table, (await asked(address, `select count(*)::int as n from ${table}`))[0]!.n]).toEqual([
      table,
      0,
    ]);
  const opened = await setUp(input, where, new Date());
  const actor = (await actorOf(opened.token, new Date()))!;

  const [role] = await asked(address, `select id from role where kind = 'seller'`);
  const invited = { email: 'sorrel@tench.example', name: 'Sorrel Tench', roleId: role!.id };
  await killedAt(address, { act: 'invite', actor, input: invited });
  expect(await asked(address, 'select 1 from invitation')).toEqual([]);
  // No letter goes out about it either.
  expect(await asked(address, 'select 1 from account_letter')).toEqual([]);
  await invite({ ...actor, now: new Date() }, invited);
  expect((await asked(address, 'select count(*)::int as n from invitation'))[0]!.n).toBe(1);
}, 120_000);
