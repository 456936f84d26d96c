import { eq } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { user } from '@/data/schema';
import { DeskPreferences } from '@/model';
import type { Actor } from '../actor';
import { check } from '../check';

/** How a person likes the desk. */
export async function readPreferences(actor: Actor): Promise<DeskPreferences> {
  return inCompany(actor.companyId, async (tx) => {
    const [row] = await tx.select({ desk: user.desk }).from(user).where(eq(user.id, actor.userId));
    return row?.desk ?? {};
  });
}

/** Keeps how a person likes the desk; their own, whoever they are. */
export async function savePreferences(actor: Actor, input: unknown): Promise<void> {
  const desk = check(DeskPreferences, input, 'The choice');
  await inCompany(actor.companyId, (tx) => tx.update(user).set({ desk }).where(eq(user.id, actor.userId)));
}
