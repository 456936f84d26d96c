import { drizzle } from 'drizzle-orm/node-postgres';
import { Pool } from 'pg';
import type { Transaction } from '@/data/connection';
import * as schema from '@/data/schema';

/** A transaction as the owner of the database: for looking at everything, and for damage that the server could not do. */
export async function asOwner<T>(work: (tx: Transaction) => Promise<T>): Promise<T> {
  const pool = new Pool({ connectionString: process.env.DATABASE_OWNER_URL, max: 1 });
  try {
    return await drizzle(pool, { schema }).transaction(work);
  } finally {
    await pool.end();
  }
}
