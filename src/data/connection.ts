import { sql } from 'drizzle-orm';
import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import { drizzle } from 'drizzle-orm/node-postgres';
import { Pool, types } from 'pg';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema>;
/** An open transaction. Every query takes one, so that nothing is half-stored. */
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

// A business date is not an instant: it stays the text it is.
types.setTypeParser(types.builtins.DATE, (text) => text);

interface Connection {
  readonly pool: Pool;
  readonly database: Database;
}

// Kept on the global object, so that a development reload does not open a second pool.
const holder = globalThis as { impegnoConnection?: Connection };

function connection(): Connection {
  if (!holder.impegnoConnection) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set.');
    const pool = new Pool({ connectionString: url, max: Number(process.env.DATABASE_POOL ?? 10) });
    // A connection that breaks while idle is replaced by the pool; it must not end the process.
    pool.on('error', () => undefined);
    holder.impegnoConnection = { pool, database: drizzle(pool, { schema }) };
  }
  return holder.impegnoConnection;
}

/** Closes the pool, for scripts and tests. */
export async function closeConnection(): Promise<void> {
  await holder.impegnoConnection?.pool.end();
  delete holder.impegnoConnection;
}

/**
 * A transaction inside one company: under the application's role, with row level security set to the company. Whatever
 * fails inside takes everything back.
 */
export function inCompany<T>(companyId: string, work: (tx: Transaction) => Promise<T>): Promise<T> {
  return connection().database.transaction(async (tx) => {
    await tx.execute(
      sql`select set_config('role', 'impegno_app', true), set_config('app.company', ${companyId}, true)`,
    );
    return work(tx);
  });
}

/**
 * A transaction before the company is known: finding a user by address, a session or a private link by its hash, making
 * a company, counting tries. Nothing else may use it.
 */
export function beforeCompany<T>(work: (tx: Transaction) => Promise<T>): Promise<T> {
  return connection().database.transaction(work);
}
