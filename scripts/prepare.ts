// Makes, migrates and (when empty) fills the database named by DATABASE_URL. Two at once do it one after the other, and a
// filling that was cut off is begun anew: there is never half a demo.
import { Client } from 'pg';
import { isEmpty } from '@/acts/accounts/createCompany';
import { closeConnection } from '@/data/connection';
import { ensureDatabase, migrateDatabase } from '@/data/migrate';
import { seedDemo } from './demo/seed';

const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set.');

/** What the database's own comment says while it is filled. */
const FILLING = 'impegno: the demo is being filled';

async function prepare(address: string): Promise<void> {
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
    if (!(await isEmpty())) return;
    process.stdout.write('Filling the database with the demo …\n');
    await say(FILLING);
    await seedDemo(new Date());
    await say(null);
  } finally {
    await client.end();
  }
}

try {
  await prepare(url);
} catch (error) {
  const { code, message } = error as { code?: string; message: string };
  if (code === 'ECONNREFUSED') {
    process.stderr.write(`No database answers at ${new URL(url).host}.\n`);
    process.exit(1);
  }
  process.stderr.write(`${message}\n`);
  throw error;
} finally {
  await closeConnection();
}
