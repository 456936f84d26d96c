import path from 'node:path';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { Client } from 'pg';
import { installQueue } from '../queue/queue';

/** Makes the database named in the address when it is not there, using the server's maintenance database. */
export async function ensureDatabase(url: string): Promise<void> {
  const name = decodeURIComponent(new URL(url).pathname.slice(1));
  if (!/^[A-Za-z0-9_]+$/.test(name)) throw new Error(`“${name}” is not a name for a database.`);
  const direct = new Client({ connectionString: url });
  try {
    await direct.connect();
    await direct.end();
    return;
  } catch (error) {
    if ((error as { code?: string }).code !== '3D000') throw error;
  }
  const maintenance = new URL(url);
  maintenance.pathname = '/postgres';
  const client = new Client({ connectionString: maintenance.toString() });
  await client.connect();
  try {
    await client.query(`create database "${name}"`);
  } finally {
    await client.end();
  }
}

/** Brings a database to the newest migration, and the queue in it; safe to run twice and by two at once. */
export async function migrateDatabase(url: string): Promise<void> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    await client.query('set client_min_messages to warning');
    await client.query(`select pg_advisory_lock(hashtext('impegno migrations'))`);
    await migrate(drizzle(client), {
      migrationsFolder: path.join(process.cwd(), 'src', 'data', 'migrations'),
    });
    await installQueue(url);
  } finally {
    await client.end();
  }
}
