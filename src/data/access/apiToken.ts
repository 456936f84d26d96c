import { and, desc, eq, isNull } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { apiToken, user } from '../schema';

/** Keeps a token that was given. */
export async function insertApiToken(tx: Transaction, values: typeof apiToken.$inferInsert): Promise<void> {
  await tx.insert(apiToken).values(values);
}

/** The tokens of the company that were not ended, the newest first, with who gave each. */
export const findApiTokens = async (tx: Transaction) =>
  tx
    .select({
      id: apiToken.id,
      name: apiToken.name,
      permissions: apiToken.permissions,
      createdAt: apiToken.createdAt,
      expiresAt: apiToken.expiresAt,
      lastUsedAt: apiToken.lastUsedAt,
      by: user.name,
    })
    .from(apiToken)
    .innerJoin(user, and(eq(user.companyId, apiToken.companyId), eq(user.id, apiToken.userId)))
    .where(isNull(apiToken.revokedAt))
    .orderBy(desc(apiToken.createdAt));

/** Ends a token; nothing where there is none, or it is ended. */
export const endApiToken = async (tx: Transaction, id: string, now: Date) =>
  tx
    .update(apiToken)
    .set({ revokedAt: now })
    .where(and(eq(apiToken.id, id), isNull(apiToken.revokedAt)))
    .returning({ id: apiToken.id, name: apiToken.name });

/** Notes that a token was used. */
export async function noteApiTokenUsed(tx: Transaction, id: string, now: Date): Promise<void> {
  await tx.update(apiToken).set({ lastUsedAt: now }).where(eq(apiToken.id, id));
}
