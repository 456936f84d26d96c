'use client';

import { Button, Select } from 'antd';
import { useEffect, useState } from 'react';
import { addPlan, movePoint, planOfFile, removePlan, setScale } from '@/core/editing';
import { measuringOf } from '@/core/space';
import type { Plan } from '@/model';
import { newPartId, useEditor } from '../context';
import { AddPlan } from './AddPlan';
import { markOf } from './markOf';
import { MeasurePanel } from './MeasurePanel';
import { PlanCanvas } from './PlanCanvas';
import { PlanTools } from './PlanTools';
import { ScaleField } from './ScaleField';
import type { Tracing } from './useTracing';
import { focusPlan, useTracing } from './useTracing';

/** One plan with its tools, to be traced on. */
function PlanOpen({ plan, tracing }: { readonly plan: Plan; readonly tracing: Tracing }) {
  const { work, readOnly } = useEditor();
  const { tool, pick, drawn, selected } = tracing;
  return (
    <>
      {!readOnly && <PlanTools tracing={tracing} />}
      {tracing.asking && (
        <ScaleField
          plan={plan}
          cancel={tracing.dropDrawn}
          take={(typed) => {
            work.edit((draft) => setScale(draft, plan.id, drawn[0]!, drawn[1]!, typed));
            pick('area');
          }}
        />
      )}
      <PlanCanvas
        key={plan.id}
        plan={plan}
        href={`/api/v1/files/${plan.file}`}
        marks={plan.traced.map((traced) => markOf(traced, plan, measuringOf(work.document)))}
        tool={tool}
        drawn={drawn}
        selected={selected}
        readOnly={readOnly}
        place={tracing.place}
        finish={tracing.finish}
        select={tracing.setSelected}
        moveCorner={({ traced, figure, point }, to) =>
          work.edit((draft) => movePoint(draft, plan.id, traced, figure, point, to))
        }
      />
    </>
  );
}

/** Measuring on plans: the plan in the middle, what was measured beside it. */
export function PlanDesk({ proposalId, close }: { readonly proposalId: string; readonly close: () => void }) {
  const { work, readOnly } = useEditor();
  const plans = work.document.plans ?? [];
  const [planId, setPlanId] = useState<string | null>(plans[0]?.id ?? null);
  const plan = plans.find(({ id }) => id === planId) ?? plans[0] ?? null;
  const tracing = useTracing(plan, plan && !plan.scale ? 'scale' : 'move');
  const [adding, setAdding] = useState(plans.length === 0 && !readOnly);
  // Keys work at once, without a click into the plan first.
  useEffect(() => void focusPlan(), []);
  return (
    <div className="plan-desk" onKeyDown={tracing.onKeyDown}>
      <MeasurePanel
        plan={plan}
        proposalId={proposalId}
        selected={tracing.selected}
        choose={tracing.setSelected}
        toPlan={focusPlan}
      />
      <div className="plan-main">
        <div className="plan-bar">
          <Button size="small" onClick={close}>
            Back to the sheet
          </Button>
          {plans.length > 0 && (
            <Select
              size="small"
              aria-label="Plan"
              className="wide-choice"
              value={plan?.id ?? null}
              options={plans.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(id: string | null) => {
                setPlanId(id);
                tracing.clear();
              }}
            />
          )}
          {!readOnly && (
            <Button size="small" onClick={() => setAdding(true)}>
              Add a plan
            </Button>
          )}
          {plan && !readOnly && (
            <Button
              size="small"
              type="text"
              onClick={() => {
                work.edit((draft) => removePlan(draft, plan.id));
                tracing.clear();
              }}
            >
              Remove this plan
            </Button>
          )}
        </div>
        {plan ? (
          <PlanOpen plan={plan} tracing={tracing} />
        ) : (
          <div className="empty">
            <p>No plan yet. Bring one in, set its scale by two points, and trace what you will build.</p>
          </div>
        )}
      </div>
      <AddPlan
        open={adding}
        close={() => setAdding(false)}
        add={(file) => {
          const id = newPartId();
          work.edit((draft) => addPlan(draft, planOfFile(id, file)));
          setPlanId(id);
          tracing.setSelected(null);
          tracing.pick('scale');
        }}
      />
    </div>
  );
}
