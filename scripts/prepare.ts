// Makes, migrates and (when empty) fills a database, as its owner (DATABASE_OWNER_URL), and makes the login of the server
// (DATABASE_URL). Two at once do it one after the other, and a filling that was cut off is begun anew: there is never half a
// demo. With `--empty`: without the demo, to set one's own company up. With `--roles`: the roles alone, in a cluster that a
// database is to be restored in.
import { Client } from 'pg';
import { hasNoCompany } from '@/data/before';
import { closeConnection } from '@/data/connection';
import { ensureDatabase, migrateDatabase } from '@/data/upkeep/migrate';
import { makeRoles, openTo } from '@/data/upkeep/roles';
import { seedDemo } from './demo/seed';

const owner = process.env.DATABASE_OWNER_URL;
const server = process.env.DATABASE_URL;
if (!owner || !server) throw new Error('DATABASE_OWNER_URL and DATABASE_URL are not both set.');
// What is filled in here began long ago: the owner of the database may say when.
process.env.DATABASE_URL = owner;

/** What the database's own comment says while it is filled. */
const FILLING = 'impegno: the demo is being filled';

async function prepare(address: string, serverAddress: string): Promise<void> {
  await makeRoles(address, serverAddress);
  if (process.argv.includes('--roles')) return;
  await ensureDatabase(address);
  const client = new Client({ connectionString: address });
  await client.connect();
  try {
    await client.query(`select pg_advisory_lock(hashtext('impegno prepare'))`);
    const { rows } = await client.query<{ name: string; said: string | null }>(
      `select datname as name, shobj_description(oid, 'pg_database') as said
       from pg_database where datname = current_database()`,
    );
    const [{ name, said }] = rows as [{ name: string; said: string | null }];
    const say = (what: string | null) =>
      client.query(`comment on database "${name}" is ${what === null ? 'null' : `'${what}'`}`);
    if (said === FILLING) {
      process.stdout.write('The demo was not finished; it is made anew.\n');
      await client.query('set client_min_messages to warning');
      await client.query('drop schema if exists drizzle cascade');
      await client.query('drop schema public cascade');
      await client.query('create schema public');
    }
    await migrateDatabase(address);
    await openTo(serverAddress, client);
    if (process.argv.includes('--empty') || !(await hasNoCompany())) return;
    process.stdout.write('Filling the database with the demo …\n');
    await say(FILLING);
    await seedDemo(new Date());
    await say(null);
  } finally {
    await client.end();
  }
}

try {
  await prepare(owner, server);
} catch (error) {
  const { code, message } = error as { code?: string; message: string };
  if (code === 'ECONNREFUSED') {
    process.stderr.write(`No database answers at ${new URL(owner).host}.\n`);
    process.exit(1);
  }
  process.stderr.write(`${message}\n`);
  throw error;
} finally {
  await closeConnection();
}
