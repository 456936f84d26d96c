import type { CustomerPlan } from '@/model/customerView';
import { PlanFigures } from '@/ui/PlanFigures';

/** Plans with what was traced on them; `files` is where their pictures are served. */
export function Plans({ plans, files }: { readonly plans: readonly CustomerPlan[]; readonly files: string }) {
  return plans.map((plan) => (
    <section key={plan.id} className="leaf">
      <h2>{plan.name}</h2>
      <svg
        className="plan-picture"
        viewBox={`0 0 ${plan.width} ${plan.height}`}
        role="img"
        aria-label={`${plan.name}: ${plan.marks.map(({ label, quantity }) => [label, quantity].filter(Boolean).join(' ')).join(', ')}`}
      >
        <image href={`${files}/${plan.file}`} width={plan.width} height={plan.height} />
        <PlanFigures marks={plan.marks} size={plan.width / 34} />
      </svg>
      <ul className="plan-list">
        {plan.marks.map(({ id, label, quantity }) => (
          <li key={id}>
            {label} {quantity && <span className="soft">{quantity}</span>}
          </li>
        ))}
      </ul>
    </section>
  ));
}
