import { eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { costEntry } from '@/data/schema';
import type { JobReport } from '@/core/insight';
import { jobReport } from '@/core/insight';
import type { Amount } from '@/core/number';
import { moneyOf, shareOf } from '@/core/number';
import type { LoadedAgreement } from '@/core/billing';

export type CostEntry = typeof costEntry.$inferSelect;

/** What a loaded agreement cost and is to cost, by the core. */
export function reportOf(loaded: LoadedAgreement, entries: readonly CostEntry[]): JobReport {
  const money = moneyOf(loaded.digits);
  return jobReport({
    lines: loaded.lines.map(({ id, description, stage, costCode, net, cost, costs }, i) => ({
      ...{ id, description, stage, costCode, net, cost },
      costs: Object.fromEntries(Object.entries(costs).map(([type, amount]) => [type, money.parse(amount)])),
      billed: loaded.position.before[i]!.net,
    })),
    costs: entries.map(({ lineId, stage, costCode, costType, amount }) => ({
      ...{ lineId, stage, costCode, costType },
      amount: money.parse(amount),
    })),
    stages: loaded.stages.map(({ name, doneOn, toCome }) => ({
      name,
      done: doneOn !== null,
      toCome: toCome === null ? null : money.parse(toCome),
    })),
  });
}

/** What of an agreement is earned, tax included: the complete share of the sum to date. */
export async function earnedOf(tx: Transaction, loaded: LoadedAgreement): Promise<Amount> {
  const entries = await tx.select().from(costEntry).where(eq(costEntry.agreementId, loaded.head.id));
  return shareOf(loaded.position.sumToDate, reportOf(loaded, entries).total.complete);
}
