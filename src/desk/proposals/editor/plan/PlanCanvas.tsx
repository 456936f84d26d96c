'use client';

import type { KeyboardEvent } from 'react';
import { useState } from 'react';
import type { Plan, PlanPoint } from '@/model';
import type { PlanMark } from '@/ui/PlanFigures';
import { PlanFigures } from '@/ui/PlanFigures';
import type { DraggedCorner } from './CornerHandles';
import { CornerHandles } from './CornerHandles';
import type { Corner, Tool } from './drawing';
import { settled, withCornerAt } from './drawing';
import { PlanDrawn, ScaleMark } from './PlanDrawn';
import { REACH, usePlanPointer } from './usePlanPointer';
import { usePlanZoom } from './usePlanZoom';

const ZOOM_STEP = 1.4;

interface CanvasProps {
  readonly plan: Plan;
  readonly href: string;
  readonly marks: readonly PlanMark[];
  readonly tool: Tool;
  readonly drawn: readonly PlanPoint[];
  readonly selected: string | null;
  readonly readOnly: boolean;
  readonly place: (point: PlanPoint) => void;
  readonly finish: () => void;
  readonly select: (id: string | null) => void;
  readonly moveCorner: (corner: Corner, to: PlanPoint) => void;
}

/** The plan itself: zooms, takes points by pointer, finger or keyboard, and shows what is traced on it. */
export function PlanCanvas({
  plan,
  href,
  marks,
  tool,
  drawn,
  selected,
  readOnly,
  place,
  finish,
  select,
  moveCorner,
}: CanvasProps) {
  const [dragged, setDragged] = useState<DraggedCorner | null>(null);
  const { svg, view, fit, zoomBy } = usePlanZoom(plan, tool);
  const { hover, setHover, near, at, handlers } = usePlanPointer(svg, plan, tool, drawn, (event, point) => {
    if (tool === 'move')
      select((event.target as Element).closest<SVGGElement>('[data-mark]')?.dataset.mark ?? null);
    else if (!readOnly) place(point);
  });

  const onKeyDown = (event: KeyboardEvent) => {
    const step = (event.shiftKey ? 1 : 12) / view.k;
    const moves: Record<string, readonly [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const move = moves[event.key];
    if (move) {
      const from = hover ?? [plan.width / 2, plan.height / 2];
      setHover(settled([from[0]! + move[0], from[1]! + move[1]], plan, [], 0, undefined, false));
    } else if (event.key === ' ' && hover && tool !== 'move' && !readOnly)
      place(settled([hover[0]!, hover[1]!], plan, near, REACH / view.k, undefined, false));
    else if (event.key === '+') zoomBy(ZOOM_STEP);
    else if (event.key === '-') zoomBy(1 / ZOOM_STEP);
    else if (event.key === '0') fit();
    else return;
    event.preventDefault();
  };

  const pixel = 1 / view.k;
  const shown = dragged ? withCornerAt(marks, dragged.corner, dragged.to) : marks;
  const held = tool === 'move' && !readOnly ? plan.traced.find(({ id }) => id === selected) : undefined;
  return (
    <div className="plan-canvas">
      <svg
        ref={svg}
        className={`plan-sheet plan-tool-${tool}`}
        tabIndex={0}
        role="application"
        aria-label={`${plan.name}. Arrow keys move the cross, Space sets a point, Enter finishes, + and − zoom.`}
        {...handlers}
        onDoubleClick={() => tool !== 'move' && finish()}
        onKeyDown={onKeyDown}
      >
        <g transform={`translate(${view.x} ${view.y}) scale(${view.k})`}>
          <image href={href} width={plan.width} height={plan.height} />
          <PlanFigures marks={shown} size={14 * pixel} selected={selected} />
          {plan.scale && <ScaleMark scale={plan.scale} pixel={pixel} />}
          <PlanDrawn tool={tool} drawn={drawn} hover={hover} pixel={pixel} />
          {held && (
            <CornerHandles
              traced={held}
              radius={6 * pixel}
              dragged={dragged}
              setDragged={setDragged}
              at={at}
              moveCorner={moveCorner}
            />
          )}
        </g>
      </svg>
      <div className="plan-zoom">
        <button type="button" aria-label="Zoom in" title="Zoom in (+)" onClick={() => zoomBy(ZOOM_STEP)}>
          +
        </button>
        <button
          type="button"
          aria-label="Zoom out"
          title="Zoom out (−)"
          onClick={() => zoomBy(1 / ZOOM_STEP)}
        >
          −
        </button>
        <button type="button" aria-label="The whole plan" title="The whole plan (0)" onClick={fit}>
          ⤢
        </button>
      </div>
    </div>
  );
}
