import { memoByIdentity } from '../collections/memoByIdentity';
import type { Measure, Plan, ProposalDocument } from '@/model';
import type { Measured } from '../space';
import { fromText } from '../space';
import { reduced } from '../number';
import { readTraced } from './readTraced';

/** The name of the edge of a traced area. */
export const edgeName = (name: string): string => `${name}_edge`;

function* fromPlan(plan: Plan): Generator<Measured> {
  for (const traced of plan.traced) {
    const { figures, trouble } = readTraced(traced, plan);
    const value = figures && reduced(figures.value, 1_000_000n);
    const edge = figures?.edge ?? null;
    yield {
      name: traced.name,
      kind: traced.kind,
      value,
      trouble,
      outline:
        traced.kind === 'area' && figures?.edge != null && figures.reach
          ? { area: figures.value, perimeter: figures.edge, ...figures.reach }
          : null,
    };
    if (traced.kind === 'area')
      yield {
        name: edgeName(traced.name),
        kind: 'length',
        value: edge === null ? null : reduced(edge, 1_000_000n),
        trouble,
        outline: null,
      };
  }
}

const typed = (measure: Measure): Measured => ({
  name: measure.name,
  kind: measure.kind,
  value: fromText(measure.value),
  trouble: null,
  outline: null,
});

const none: readonly Measured[] = [];
const noPlans: readonly Plan[] = [];
const noMeasures: readonly Measure[] = [];
const together = memoByIdentity((plans: readonly Plan[]) =>
  memoByIdentity((measures: readonly Measure[]): readonly Measured[] => [
    ...measures.map(typed),
    ...plans.flatMap((plan) => [...fromPlan(plan)]),
  ]),
);

/**
 * Every quantity by name that formulas of the whole proposal can follow: those typed, those traced on plans, and the edge
 * of each traced area. The same list as long as neither changes: it is a cache key.
 */
export function measuresOf(document: Pick<ProposalDocument, 'measures' | 'plans'>): readonly Measured[] {
  const { measures = noMeasures, plans = noPlans } = document;
  return measures.length === 0 && plans.length === 0 ? none : together(plans)(measures);
}
