import { and, eq, gt, lt, sql } from 'drizzle-orm';
import type { Transaction } from './connection';
import { attempt } from './schema';

/** How many tries a bucket saw since an instant. */
export async function countAttempts(tx: Transaction, bucket: string, since: Date): Promise<number> {
  const rows = await tx
    .select({ count: sql<number>`count(*)::int` })
    .from(attempt)
    .where(and(eq(attempt.bucket, bucket), gt(attempt.at, since)));
  return rows[0]?.count ?? 0;
}

/** Notes a try, and forgets those of yesterday. */
export async function addAttempt(tx: Transaction, bucket: string, at: Date): Promise<void> {
  await tx.insert(attempt).values({ bucket, at });
  await tx.delete(attempt).where(lt(attempt.at, new Date(at.getTime() - 24 * 3600_000)));
}

/** Forgets the tries of a bucket. */
export async function clearAttempts(tx: Transaction, bucket: string): Promise<void> {
  await tx.delete(attempt).where(eq(attempt.bucket, bucket));
}
