'use client';

import { select } from 'd3-selection';
import type { ZoomBehavior } from 'd3-zoom';
import { zoom as zoomBehaviour, zoomIdentity, zoomTransform } from 'd3-zoom';
import type { KeyboardEvent, PointerEvent as ReactPointerEvent } from 'react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { samePoint } from '@/core/plan';
import type { Plan, PlanPoint } from '@/model';
import type { PlanMark } from '@/ui/PlanFigures';
import { PlanFigures } from '@/ui/PlanFigures';
import type { Tool } from './drawing';
import { magnets, settled } from './drawing';

/** How near a corner counts as on it, in pixels of the screen. */
const REACH = 9;
const STILL = 4;

export interface Corner {
  readonly traced: string;
  readonly figure: number;
  readonly point: number;
}

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

const points = (all: readonly PlanPoint[]) => all.map((point) => point.join(',')).join(' ');

/** The plan itself: zooms, takes points by pointer, finger or keyboard, and shows what is traced on it. */
export function PlanCanvas(props: CanvasProps) {
  const {
    plan,
    href,
    marks,
    tool,
    drawn,
    selected,
    readOnly,
    place,
    finish,
    select: choose,
    moveCorner,
  } = props;
  const svg = useRef<SVGSVGElement>(null);
  const zoom = useRef<ZoomBehavior<SVGSVGElement, unknown>>(null);
  const [view, setView] = useState({ x: 0, y: 0, k: 0.03 });
  const [hover, setHover] = useState<PlanPoint | null>(null);
  const [dragged, setDragged] = useState<{ corner: Corner; to: PlanPoint } | null>(null);
  const pressed = useRef<{ x: number; y: number; many: boolean } | null>(null);
  const fingers = useRef(new Set<number>());
  const toolNow = useRef(tool);
  useEffect(() => {
    toolNow.current = tool;
  }, [tool]);

  const fit = useCallback(() => {
    const box = svg.current?.getBoundingClientRect();
    if (!box || !zoom.current || box.width === 0) return;
    const k = Math.min(box.width / plan.width, box.height / plan.height) * 0.96;
    const moved = zoomIdentity
      .translate((box.width - plan.width * k) / 2, (box.height - plan.height * k) / 2)
      .scale(k);
    zoom.current.scaleExtent([k / 2, k * 40]).transform(select(svg.current!), moved);
  }, [plan.width, plan.height]);

  useEffect(() => {
    const element = svg.current!;
    const behaviour = zoomBehaviour<SVGSVGElement, unknown>()
      .filter((event: MouseEvent | TouchEvent | WheelEvent) => {
        if (event.type === 'wheel') return true;
        if ('touches' in event) return event.touches.length > 1 || toolNow.current === 'move';
        return event.button === 1 || (event.button === 0 && toolNow.current === 'move');
      })
      .on('zoom', ({ transform }: { transform: { x: number; y: number; k: number } }) =>
        setView({ x: transform.x, y: transform.y, k: transform.k }),
      );
    zoom.current = behaviour;
    select(element).call(behaviour).on('dblclick.zoom', null);
    fit();
    return () => {
      select(element).on('.zoom', null);
    };
  }, [fit]);

  const near = magnets(plan, drawn);
  const at = (
    event: { clientX: number; clientY: number; shiftKey: boolean },
    except?: PlanPoint,
  ): PlanPoint => {
    const box = svg.current!.getBoundingClientRect();
    const { x, y, k } = zoomTransform(svg.current!);
    return settled(
      [(event.clientX - box.left - x) / k, (event.clientY - box.top - y) / k],
      plan,
      except ? near.filter((point) => !samePoint(point, except)) : near,
      REACH / k,
      drawn.at(-1),
      event.shiftKey,
    );
  };

  const onPointerDown = (event: ReactPointerEvent) => {
    fingers.current.add(event.pointerId);
    pressed.current =
      event.button === 0 ? { x: event.clientX, y: event.clientY, many: fingers.current.size > 1 } : null;
    if (fingers.current.size > 1 && pressed.current) pressed.current.many = true;
  };
  const onPointerUp = (event: ReactPointerEvent) => {
    fingers.current.delete(event.pointerId);
    const from = pressed.current;
    pressed.current = null;
    if (!from || from.many || Math.hypot(event.clientX - from.x, event.clientY - from.y) > STILL) return;
    if (tool === 'move')
      choose((event.target as Element).closest<SVGGElement>('[data-mark]')?.dataset.mark ?? null);
    else if (!readOnly) place(at(event));
  };

  const zoomBy = (by: number) => zoom.current?.scaleBy(select(svg.current!), by);
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
    else if (event.key === '+') zoomBy(1.4);
    else if (event.key === '-') zoomBy(1 / 1.4);
    else if (event.key === '0') fit();
    else return;
    event.preventDefault();
  };

  const em = 14 / view.k;
  const shown = dragged
    ? marks.map((mark) =>
        mark.id === dragged.corner.traced
          ? {
              ...mark,
              figures: mark.figures.map((figure, f) =>
                f === dragged.corner.figure
                  ? {
                      ...figure,
                      points: figure.points.map((point, p) =>
                        p === dragged.corner.point ? dragged.to : point,
                      ),
                    }
                  : figure,
              ),
            }
          : mark,
      )
    : marks;
  const rubber = hover && drawn.length > 0 ? [...drawn, hover] : drawn;
  return (
    <div className="plan-canvas">
      <svg
        ref={svg}
        className={`plan-sheet plan-tool-${tool}`}
        tabIndex={0}
        role="application"
        aria-label={`${plan.name}. Arrow keys move the cross, Space sets a point, Enter finishes, + and − zoom.`}
        onPointerDown={onPointerDown}
        onPointerMove={(event) => event.pointerType !== 'touch' && tool !== 'move' && setHover(at(event))}
        onPointerUp={onPointerUp}
        onPointerCancel={(event) => fingers.current.delete(event.pointerId)}
        onPointerLeave={(event) => {
          fingers.current.delete(event.pointerId);
          setHover(null);
        }}
        onDoubleClick={() => tool !== 'move' && finish()}
        onKeyDown={onKeyDown}
      >
        <g transform={`translate(${view.x} ${view.y}) scale(${view.k})`}>
          <image href={href} width={plan.width} height={plan.height} />
          <PlanFigures marks={shown} size={em} selected={selected} />
          {plan.scale && (
            <g className="plan-scale">
              <path d={`M${plan.scale.from.join(' ')}L${plan.scale.to.join(' ')}`} />
              {[plan.scale.from, plan.scale.to].map((point, i) => (
                <circle key={i} cx={point[0]} cy={point[1]} r={4 / view.k} />
              ))}
            </g>
          )}
          {drawn.length > 0 && (
            <g className="plan-drawn">
              {(tool === 'area' || tool === 'cut') && rubber.length > 2 ? (
                <polygon points={points(rubber)} />
              ) : (
                <polyline points={points(rubber)} />
              )}
              {drawn.map((point, i) => (
                <circle key={i} cx={point[0]} cy={point[1]} r={4.5 / view.k} />
              ))}
            </g>
          )}
          {hover && tool !== 'move' && (
            <path
              className="plan-aim"
              d={`M${hover[0]! - 9 / view.k} ${hover[1]}h${18 / view.k}M${hover[0]} ${hover[1]! - 9 / view.k}v${18 / view.k}`}
            />
          )}
          {tool === 'move' &&
            !readOnly &&
            plan.traced
              .filter(({ id }) => id === selected)
              .flatMap((traced) =>
                traced.figures.flatMap(({ points: corners }, figure) =>
                  corners.map((corner, point) => {
                    const here = { traced: traced.id, figure, point };
                    const moving =
                      dragged?.corner.figure === figure && dragged.corner.point === point
                        ? dragged.to
                        : corner;
                    return (
                      <circle
                        key={`${figure} ${point}`}
                        className="plan-handle"
                        cx={moving[0]}
                        cy={moving[1]}
                        r={6 / view.k}
                        onMouseDown={(event) => event.stopPropagation()}
                        onTouchStart={(event) => event.stopPropagation()}
                        onPointerDown={(event) => {
                          event.stopPropagation();
                          event.currentTarget.setPointerCapture(event.pointerId);
                          setDragged({ corner: here, to: corner });
                        }}
                        onPointerMove={(event) => {
                          if (dragged) setDragged({ corner: here, to: at(event, corner) });
                        }}
                        onPointerUp={(event) => {
                          event.stopPropagation();
                          if (dragged && !samePoint(dragged.to, corner)) moveCorner(here, dragged.to);
                          setDragged(null);
                        }}
                      />
                    );
                  }),
                ),
              )}
        </g>
      </svg>
      <div className="plan-zoom">
        <button type="button" aria-label="Zoom in" title="Zoom in (+)" onClick={() => zoomBy(1.4)}>
          +
        </button>
        <button type="button" aria-label="Zoom out" title="Zoom out (−)" onClick={() => zoomBy(1 / 1.4)}>
          −
        </button>
        <button type="button" aria-label="The whole plan" title="The whole plan (0)" onClick={fit}>
          ⤢
        </button>
      </div>
    </div>
  );
}
