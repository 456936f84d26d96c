import type { CostType } from '@/model';
import type { JobReport } from '../insight';
import { jobReport } from '../insight';
import { moneyOf } from '../number';
import type { LoadedAgreement } from './loadedAgreement';
import { stageProgress } from './stageProgress';

/** A recorded cost; its amount as decimal text. */
export interface CostRow {
  readonly lineId: string | null;
  readonly stage: string | null;
  readonly costCode: string | null;
  readonly costType: CostType;
  readonly amount: string;
}

/** What a loaded agreement cost and is to cost, by the core. */
export function reportOf(loaded: LoadedAgreement, entries: readonly CostRow[]): JobReport {
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
    stages: loaded.stages.map(({ name, toCome, ...reported }) => ({
      name,
      progress: stageProgress(reported),
      toCome: toCome === null ? null : money.parse(toCome),
    })),
  });
}
