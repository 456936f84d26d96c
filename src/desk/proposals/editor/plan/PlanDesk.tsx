'use client';

import { Button, Select, Input } from 'antd';
import { useCallback, useEffect, useRef, useState } from 'react';
import { addFigure, addPlan, addTraced, movePoint, removePlan, setScale } from '@/core/editing';
import type { Plan, PlanPoint, Traced } from '@/model';
import { newPartId, useEditor } from '../context';
import { AddPlan } from './AddPlan';
import type { Tool } from './drawing';
import { areaAround, firstLabel, isEnough, pointsOf, tools } from './drawing';
import { markOf } from './markOf';
import { MeasurePanel } from './MeasurePanel';
import { PlanCanvas } from './PlanCanvas';

const focusPlan = () => document.querySelector<SVGElement>('.plan-sheet')?.focus();

/** Asks how long the two points of the scale are apart. */
function ScaleField({
  plan,
  take,
  cancel,
}: {
  readonly plan: Plan;
  readonly take: (typed: string) => void;
  readonly cancel: () => void;
}) {
  const [typed, setTyped] = useState(plan.scale?.length.typed ?? plan.scale?.length.value ?? '');
  const [trouble, setTrouble] = useState<string | null>(null);
  return (
    <form
      className="plan-ask"
      onSubmit={(event) => {
        event.preventDefault();
        try {
          take(typed);
        } catch (error) {
          setTrouble((error as Error).message);
        }
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Escape') cancel();
      }}
    >
      <label>
        How far apart are they?{' '}
        <Input
          size="small"
          autoFocus
          className="bar-field"
          placeholder={`16' 0"`}
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
          onFocus={({ target }) => target.select()}
        />
      </label>
      <Button size="small" type="primary" htmlType="submit">
        Set the scale
      </Button>
      <Button size="small" type="text" onClick={cancel}>
        Cancel
      </Button>
      {trouble && <span className="wrong">{trouble}</span>}
    </form>
  );
}

/** Measuring on plans: the plan in the middle, what was measured beside it. */
export function PlanDesk({ proposalId, close }: { readonly proposalId: string; readonly close: () => void }) {
  const { work, readOnly } = useEditor();
  const plans = work.document.plans ?? [];
  const [planId, setPlanId] = useState<string | null>(plans[0]?.id ?? null);
  const plan = plans.find(({ id }) => id === planId) ?? plans[0] ?? null;
  const [tool, setTool] = useState<Tool>(plan && !plan.scale ? 'scale' : 'move');
  const [drawn, setDrawn] = useState<readonly PlanPoint[]>([]);
  const [selected, setSelected] = useState<string | null>(null);
  const [adding, setAdding] = useState(plans.length === 0 && !readOnly);
  const [said, setSaid] = useState<string | null>(null);
  const asking = tool === 'scale' && drawn.length === 2;

  const pick = useCallback((next: Tool) => {
    setTool(next);
    setDrawn([]);
    setSaid(null);
    focusPlan();
  }, []);

  // Keys work at once, without a click into the plan first.
  useEffect(focusPlan, []);

  const nameNext = useRef<string | null>(null);
  useEffect(() => {
    if (!nameNext.current) return;
    const row = document.querySelector(`[data-traced="${nameNext.current}"] [data-cell="measure"]`);
    nameNext.current = null;
    (row as HTMLElement | null)?.focus();
  });

  /** Keeps what was drawn: in the quantity that is selected, where it is of the kind, else as a new one. */
  const keep = (points: readonly PlanPoint[]) => {
    if (!plan || !isEnough(tool, points)) return;
    setDrawn([]);
    if (tool === 'cut') {
      const area = areaAround(plan, points, selected);
      if (!area) {
        setSaid('A cut-out lies in an outline; this one does not.');
        return;
      }
      work.edit((draft) => addFigure(draft, plan.id, area.id, { points: [...points], cut: true }));
      setSelected(area.id);
      return;
    }
    const kind = tool as Traced['kind'];
    const into = plan.traced.find((traced) => traced.id === selected && traced.kind === kind);
    if (into) {
      work.edit((draft) => addFigure(draft, plan.id, into.id, { points: [...points] }));
      return;
    }
    const id = newPartId();
    work.edit((draft) =>
      addTraced(draft, plan.id, { id, kind, label: firstLabel(plan, kind) }, [{ points: [...points] }]),
    );
    setSelected(id);
    // What is counted goes on being clicked; an outline or a run wants its name.
    if (kind !== 'count') nameNext.current = id;
  };
  const place = (point: PlanPoint) => {
    setSaid(null);
    if (asking) return;
    const first = drawn[0];
    const closes =
      (tool === 'area' || tool === 'cut') &&
      drawn.length >= 3 &&
      first !== undefined &&
      first[0] === point[0] &&
      first[1] === point[1];
    if (closes) keep(drawn);
    else if (pointsOf(tool) === 1) keep([point]);
    else setDrawn([...drawn, point]);
  };
  const finish = () => {
    if (isEnough(tool, drawn) && tool !== 'scale') keep(drawn);
  };

  const onKeyDown = (event: React.KeyboardEvent) => {
    const field = event.target as HTMLElement;
    if (/^(INPUT|TEXTAREA|SELECT)$/.test(field.tagName) || event.ctrlKey || event.metaKey || event.altKey)
      return;
    const wanted = tools.find(({ key }) => key.toLowerCase() === event.key.toLowerCase());
    if (wanted && !readOnly) pick(wanted.tool);
    else if (event.key === 'Enter' && field.classList.contains('plan-sheet')) finish();
    else if (event.key === 'Escape') {
      if (drawn.length > 0) setDrawn([]);
      else setSelected(null);
    } else if (event.key === 'Backspace' && drawn.length > 0) setDrawn(drawn.slice(0, -1));
    else return;
    event.preventDefault();
  };

  const current = tools.find((each) => each.tool === tool)!;
  return (
    <div className="plan-desk" onKeyDown={onKeyDown}>
      <MeasurePanel
        plan={plan}
        proposalId={proposalId}
        selected={selected}
        choose={setSelected}
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
              style={{ width: 210 }}
              value={plan?.id ?? null}
              options={plans.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(id: string | null) => {
                setPlanId(id);
                setSelected(null);
                setDrawn([]);
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
                setSelected(null);
                setDrawn([]);
              }}
            >
              Remove this plan
            </Button>
          )}
        </div>
        {plan && (
          <>
            {!readOnly && (
              <div className="plan-tools" role="toolbar" aria-label="Tools">
                {tools.map((each) => (
                  <button
                    key={each.tool}
                    type="button"
                    className="plan-tool"
                    aria-pressed={tool === each.tool}
                    onClick={() => pick(each.tool)}
                  >
                    {each.name} <kbd>{each.key}</kbd>
                  </button>
                ))}
                <span className="soft plan-hint" role="status">
                  {said ??
                    (drawn.length > 0 && !asking
                      ? 'Backspace takes the last point back, Esc all of them; Shift keeps right angles.'
                      : current.how)}
                </span>
              </div>
            )}
            {asking && (
              <ScaleField
                plan={plan}
                cancel={() => setDrawn([])}
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
              marks={plan.traced.map((traced) => markOf(traced, plan))}
              tool={tool}
              drawn={drawn}
              selected={selected}
              readOnly={readOnly}
              place={place}
              finish={finish}
              select={setSelected}
              moveCorner={({ traced, figure, point }, to) =>
                work.edit((draft) => movePoint(draft, plan.id, traced, figure, point, to))
              }
            />
          </>
        )}
        {!plan && (
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
          work.edit((draft) =>
            addPlan(draft, {
              id,
              name: file.name,
              file: file.id,
              width: file.width * 10,
              height: file.height * 10,
              traced: [],
            }),
          );
          setPlanId(id);
          setSelected(null);
          pick('scale');
        }}
      />
    </div>
  );
}
