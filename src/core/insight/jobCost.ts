import type { CostType } from '@/model';
import { costTypes } from '@/model';
import type { Amount, Fixed } from '../number';
import { ONE, ZERO, divideRounded, subtractAmounts, sumAmounts } from '../number';
import type { CostRow } from './jobGroups';
import { byGroup, costRow, isSomething, leftOfBudget } from './jobGroups';

/** An agreed line as it is looked back on. */
export interface JobLine {
  readonly id: string;
  readonly description: string;
  readonly stage: string | null;
  readonly costCode: string | null;
  /** Agreed price and budgeted cost, before tax. */
  readonly net: Amount;
  readonly cost: Amount;
  readonly costs: Readonly<Partial<Record<CostType, Amount>>>;
  /** Billed of it, before tax. */
  readonly billed: Amount;
}

/** What something cost us; against a line, or a stage, or a cost code, or none of them. */
export interface JobCost {
  readonly lineId: string | null;
  readonly stage: string | null;
  readonly costCode: string | null;
  readonly costType: CostType;
  readonly amount: Amount;
}

export interface JobStage {
  readonly name: string;
  /** How much of it is done by what is reported, as a fraction of one; null: nothing is reported. */
  readonly progress: Fixed | null;
  /** What it will still cost, as somebody reckons; null: what is left of its budget. */
  readonly toCome: Amount | null;
}

export interface Job {
  readonly lines: readonly JobLine[];
  readonly costs: readonly JobCost[];
  readonly stages: readonly JobStage[];
}

/** A stage, or the job, with what is earned and billed of it. */
export interface StageRow extends CostRow {
  readonly done: boolean;
  readonly agreed: Amount;
  readonly billed: Amount;
  /** How much of it is complete: as it is reported; where nothing is, by cost. Of one that is done, all. */
  readonly complete: Fixed;
  /** Complete share of what is agreed. */
  readonly earned: Amount;
  /** Billed less earned: above zero billed ahead of the work, below zero the work is ahead. */
  readonly overBilled: Amount;
  /** Billed less what it cost so far. */
  readonly profit: Amount;
  /** Agreed less what it will have cost. */
  readonly expectedProfit: Amount;
}

export interface JobReport {
  readonly stages: readonly StageRow[];
  readonly total: StageRow;
  readonly byCode: readonly CostRow[];
  readonly byType: readonly CostRow[];
  readonly byLine: readonly (CostRow & { readonly lineId: string | null })[];
}

/** What a cost is for: its own stage or cost code, or that of its line. */
const placed = ({ lines, costs }: Job) => {
  const byId = new Map(lines.map((line) => [line.id, line]));
  return costs.map((cost) => {
    const line = cost.lineId === null ? undefined : byId.get(cost.lineId);
    return {
      ...cost,
      stage: cost.stage ?? line?.stage ?? null,
      costCode: cost.costCode ?? line?.costCode ?? null,
    };
  });
};

/**
 * Looks back on a job: budget against cost with what is still to come, by stage, cost code, cost type and line; what is
 * earned, billed and left over, by stage and in all. Before tax.
 *
 * What a stage will still cost is what somebody reckons, else what is left of its budget; nothing once it is done. A stage is
 * complete as far as it is reported (the output method of progress); where nothing is reported, by cost: cost so far over cost so
 * far and still to come (cost-to-cost, the input method), rounded half away from zero to a millionth; both trade facts, common
 * practice. Done, it is complete. Earned is the complete share of what is agreed. All groupings have the same sums.
 */
export function jobReport(job: Job): JobReport {
  const { lines } = job;
  const costs = placed(job);
  const known = new Map(job.stages.map((stage) => [stage.name, stage]));
  const names = [
    ...new Set([
      ...job.stages.map(({ name }) => name),
      ...lines.map(({ stage }) => stage ?? ''),
      ...costs.map(({ stage }) => stage ?? ''),
    ]),
  ];
  const stages = names.map((name): StageRow => {
    const own = lines.filter(({ stage }) => (stage ?? '') === name);
    const stage = known.get(name);
    const progress = stage?.progress ?? null;
    const done = progress === ONE;
    const budget = sumAmounts(own.map((line) => line.cost));
    const cost = sumAmounts(costs.filter((each) => (each.stage ?? '') === name).map(({ amount }) => amount));
    const toCome = done ? ZERO : (stage?.toCome ?? leftOfBudget(budget, cost));
    return withEarned(costRow(name, budget, cost, toCome), progress, {
      agreed: sumAmounts(own.map(({ net }) => net)),
      billed: sumAmounts(own.map(({ billed }) => billed)),
    });
  });
  const shown = stages.filter(
    (row) => row.name !== '' || row.agreed !== 0n || row.billed !== 0n || isSomething(row),
  );
  const sum = (of: (row: StageRow) => Amount) => sumAmounts(stages.map(of));
  const earned = sum((row) => row.earned);
  const agreed = sum((row) => row.agreed);
  const billed = sum((row) => row.billed);
  const all = costRow(
    '',
    sum((row) => row.budget),
    sum((row) => row.cost),
    sum((row) => row.toCome),
  );
  const total: StageRow = {
    ...all,
    done: stages.every((row) => row.done),
    agreed,
    billed,
    complete: agreed === 0n ? (0n as Fixed) : (divideRounded(earned * ONE, agreed) as Fixed),
    earned,
    overBilled: subtractAmounts(billed, earned),
    profit: subtractAmounts(billed, all.cost),
    expectedProfit: subtractAmounts(agreed, all.expected),
  };

  const toComeOf = new Map(stages.map(({ name, toCome }) => [name, toCome]));
  /** Rows by what lines and costs are of, each in its stage. */
  const by = (
    keys: readonly string[],
    ofLine: (line: JobLine) => readonly (readonly [string, Amount])[],
    ofCost: (cost: (typeof costs)[number]) => string,
  ): CostRow[] =>
    byGroup(
      keys,
      lines.flatMap((line) =>
        ofLine(line).map(([key, amount]) => ({ key, stage: line.stage ?? '', amount })),
      ),
      costs.map((cost) => ({ key: ofCost(cost), stage: cost.stage ?? '', amount: cost.amount })),
      toComeOf,
    );
  const codes = new Set([
    ...lines.map(({ costCode }) => costCode ?? ''),
    ...costs.map(({ costCode }) => costCode ?? ''),
    '',
  ]);
  const unknown = (line: JobLine): Amount =>
    (line.cost - sumAmounts(costTypes.map((type) => line.costs[type] ?? ZERO))) as Amount;
  const lineIds = [...lines.map(({ id }) => id), ''];
  return {
    stages: shown,
    total,
    byCode: by(
      [...codes].sort(),
      ({ costCode, cost }) => [[costCode ?? '', cost]],
      ({ costCode }) => costCode ?? '',
    ).filter(isSomething),
    byType: by(
      [...costTypes, ''],
      (line) => [...costTypes.map((type) => [type, line.costs[type] ?? ZERO] as const), ['', unknown(line)]],
      ({ costType }) => costType,
    ).filter(isSomething),
    byLine: by(
      lineIds,
      ({ id, cost }) => [[id, cost]],
      ({ lineId }) => lineId ?? '',
    )
      .map((row, i) => ({
        ...row,
        lineId: lineIds[i] === '' ? null : lineIds[i]!,
        name: lines[i]?.description ?? '',
      }))
      .filter((row) => row.lineId !== null || isSomething(row)),
  };
}

function withEarned(
  row: CostRow,
  reported: Fixed | null,
  { agreed, billed }: { readonly agreed: Amount; readonly billed: Amount },
): StageRow {
  const spent = row.expected > 0n && row.cost > 0n;
  const complete = (reported ?? (spent ? divideRounded(row.cost * ONE, row.expected) : 0n)) as Fixed;
  // By cost, from the cost itself and not from the rounded share.
  const earned = (
    reported !== null
      ? divideRounded(agreed * reported, ONE)
      : spent
        ? divideRounded(agreed * row.cost, row.expected)
        : 0n
  ) as Amount;
  return {
    ...row,
    done: reported === ONE,
    agreed,
    billed,
    complete,
    earned,
    overBilled: subtractAmounts(billed, earned),
    profit: subtractAmounts(billed, row.cost),
    expectedProfit: subtractAmounts(agreed, row.expected),
  };
}
