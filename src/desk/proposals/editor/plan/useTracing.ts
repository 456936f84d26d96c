import type { KeyboardEvent } from 'react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { addFigure, addTraced } from '@/core/editing';
import type { Plan, PlanPoint, Traced } from '@/model';
import { newPartId, useEditor } from '../context';
import type { Tool } from './drawing';
import { areaAround, closes, firstLabel, isEnough, pointsOf, tools } from './drawing';

export const focusPlan = () => document.querySelector<SVGElement>('.plan-sheet')?.focus();

/** Tracing on a plan: the tool, what is drawn with it so far, and what is selected; what is finished goes into the proposal. */
export function useTracing(plan: Plan | null, firstTool: Tool) {
  const { work, readOnly } = useEditor();
  const [tool, setTool] = useState<Tool>(firstTool);
  const [drawn, setDrawn] = useState<readonly PlanPoint[]>([]);
  const [selected, setSelected] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  /** The scale has its two points and waits for how far they are apart. */
  const asking = tool === 'scale' && drawn.length === 2;

  const pick = useCallback((next: Tool) => {
    setTool(next);
    setDrawn([]);
    setSaid(null);
    focusPlan();
  }, []);

  const nameNext = useRef<string | null>(null);
  useEffect(() => {
    if (!nameNext.current) return;
    const row = document.querySelector(`[data-traced="${nameNext.current}"] [data-cell="measure"]`);
    nameNext.current = null;
    (row as HTMLElement | null)?.focus();
  });

  const keepCut = (of: Plan, points: readonly PlanPoint[]) => {
    const area = areaAround(of, points, selected);
    if (!area) {
      setSaid('A cut-out lies in an outline; this one does not.');
      return;
    }
    work.edit((draft) => addFigure(draft, of.id, area.id, { points: [...points], cut: true }));
    setSelected(area.id);
  };
  /** Keeps what was drawn: in the quantity that is selected, where it is of the kind, else as a new one. */
  const keep = (points: readonly PlanPoint[]) => {
    if (!plan || !isEnough(tool, points)) return;
    setDrawn([]);
    if (tool === 'cut') {
      keepCut(plan, points);
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
    if (closes(tool, drawn, point)) keep(drawn);
    else if (pointsOf(tool) === 1) keep([point]);
    else setDrawn([...drawn, point]);
  };
  const finish = () => {
    if (isEnough(tool, drawn) && tool !== 'scale') keep(drawn);
  };

  const onKeyDown = (event: KeyboardEvent) => {
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

  return {
    tool,
    pick,
    drawn,
    /** Nothing is drawn or selected any more, as on another plan. */
    clear: () => {
      setSelected(null);
      setDrawn([]);
    },
    dropDrawn: () => setDrawn([]),
    selected,
    setSelected,
    said,
    asking,
    place,
    finish,
    onKeyDown,
  };
}

export type Tracing = ReturnType<typeof useTracing>;
