import { reportOf } from '@/core/billing';
import { eq } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { costEntry } from '../schema';
import type { Amount } from '@/core/number';
import { shareOf } from '@/core/number';
import type { LoadedAgreement } from '@/core/billing';

export type CostEntry = typeof costEntry.$inferSelect;

/** What of an agreement is earned, tax included: the complete share of the sum to date. */
export async function earnedOf(tx: Transaction, loaded: LoadedAgreement): Promise<Amount> {
  const entries = await tx.select().from(costEntry).where(eq(costEntry.agreementId, loaded.head.id));
  return shareOf(loaded.position.sumToDate, reportOf(loaded, entries).total.complete);
}
