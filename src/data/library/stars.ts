import { and, eq } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { libraryStar } from '../schema';

/** Whose star is meant, and on what. */
interface Star {
  readonly companyId: string;
  readonly userId: string;
  readonly starredId: string;
}

/** Puts a star on something of the library; one that is there stays. */
export async function putStar(tx: Transaction, { companyId, userId, starredId }: Star): Promise<void> {
  await tx.insert(libraryStar).values({ companyId, userId, starredId }).onConflictDoNothing();
}

/** Takes a star off. */
export async function takeStar(tx: Transaction, { userId, starredId }: Star): Promise<void> {
  await tx
    .delete(libraryStar)
    .where(and(eq(libraryStar.userId, userId), eq(libraryStar.starredId, starredId)));
}
