import { tracedInWords } from '@/core/plan';
import type { Plan, Traced } from '@/model';
import type { PlanMark } from '@/ui/PlanFigures';

/** What was traced, as it is drawn. */
export const markOf = (traced: Traced, plan: Plan): PlanMark => ({
  id: traced.id,
  label: traced.label,
  kind: traced.kind,
  figures: traced.figures,
  quantity: tracedInWords(traced, plan),
});
