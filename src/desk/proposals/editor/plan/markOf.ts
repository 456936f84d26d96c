import { tracedInWords } from '@/core/plan';
import type { Measuring, Plan, Traced } from '@/model';
import type { PlanMark } from '@/ui/PlanFigures';

/** What was traced, as it is drawn. */
export const markOf = (traced: Traced, plan: Plan, measuring: Measuring): PlanMark => ({
  id: traced.id,
  label: traced.label,
  kind: traced.kind,
  figures: traced.figures,
  quantity: tracedInWords(traced, plan, measuring),
});
