import type { Actor } from '@/services/actor';
import { businessDate } from '@/services/actor';
import { readJob } from '@/services/jobCosting/jobReport';
import { attachCost, recordCost, saveToCome } from '@/services/jobCosting/record';
import type { Amount } from '@/core/number';
import { divideRounded, parseAmount, parsePercent, shareOf, writeAmount } from '@/core/number';

/** What came of the budget, line after line, in percent. */
const outcomes = ['97', '104', '91', '100', '113', '95', '102'] as const;
const suppliers = ['Marrowby Timber', 'Fenshire Glass & Frame', 'Pell Roofing', 'Stores'] as const;

/**
 * Costs of a job as they came in: each line for about what was thought, labour by the hour beside, in an even row of days.
 * @param days of the first and the last cost, ago
 * @param upTo the stages that cost something so far; without it, all
 */
export async function spendOn(
  who: Actor,
  agreementId: string,
  {
    ago,
    timeZone,
    days,
    upTo,
  }: {
    readonly ago: (days: number) => Date;
    readonly timeZone: string;
    readonly days: readonly [number, number];
    readonly upTo?: readonly string[];
  },
): Promise<void> {
  const job = await readJob(who, agreementId);
  const stages = upTo ?? job.choices.stages;
  const budgets = new Map(job.byLine.map(({ lineId, budget }) => [lineId, parseAmount(budget, 2)]));
  const lines = job.choices.lines.filter(
    ({ id, stage }) => (budgets.get(id) ?? 0n) > 0n && (upTo === undefined || stages.includes(stage ?? '')),
  );
  const [first, last] = days;
  const on = (i: number) => ago(Math.round(first - ((first - last) * i) / Math.max(1, lines.length - 1)));
  for (const [i, { id, description }] of lines.entries()) {
    const amount = shareOf(budgets.get(id)!, parsePercent(outcomes[i % outcomes.length]!));
    const at = on(i);
    const labour = i % 4 === 3;
    await recordCost(
      { ...who, now: at },
      {
        agreementId,
        what: labour ? `Hours on ${description.toLowerCase()}` : description,
        costType: labour ? 'labour' : i % 5 === 4 ? 'subcontract' : 'material',
        spentOn: businessDate(at, timeZone),
        supplier: labour ? '' : suppliers[i % suppliers.length]!,
        lineId: id,
        ...(labour
          ? { hours: writeAmount(divideRounded(amount * 100n, 4600n) as Amount, 2), rate: '46' }
          : { amount: writeAmount(amount, 2) }),
        idempotencyKey: `demo-cost-${agreementId}-${i}`,
      },
    );
  }
  const { costs, choices } = await readJob(who, agreementId);
  const bill = choices.invoices[1] ?? choices.invoices[0];
  for (const cost of costs.slice(0, 3))
    if (bill) await attachCost(who, { costId: cost.id, invoiceId: bill.id });
  const next = job.stages.find(({ named, done, name }) => named && !done && stages.includes(name));
  if (upTo && next)
    await saveToCome(who, {
      agreementId,
      stage: next.name,
      toCome: writeAmount(shareOf(parseAmount(next.toCome, 2), parsePercent('40')), 2),
    });
}
