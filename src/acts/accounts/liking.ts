import { eq } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { user } from '@/data/schema';
import { DeskLiking } from '@/model';
import type { Actor } from '../actor';
import { check } from '../check';

/** How a person likes the desk. */
export async function readLiking(actor: Actor): Promise<DeskLiking> {
  return inCompany(actor.companyId, async (tx) => {
    const [row] = await tx.select({ desk: user.desk }).from(user).where(eq(user.id, actor.userId));
    return row?.desk ?? {};
  });
}

/** Keeps how a person likes the desk; their own, whoever they are. */
export async function saveLiking(actor: Actor, input: unknown): Promise<void> {
  const desk = check(DeskLiking, input, 'The choice');
  await inCompany(actor.companyId, (tx) => tx.update(user).set({ desk }).where(eq(user.id, actor.userId)));
}
