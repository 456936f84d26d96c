import { zoomTransform } from 'd3-zoom';
import type { PointerEvent, RefObject } from 'react';
import { useRef, useState } from 'react';
import { samePoint } from '@/core/plan';
import type { Plan, PlanPoint } from '@/model';
import type { Tool } from './drawing';
import { magnets, settled } from './drawing';

/** How near a corner counts as on it, in pixels of the screen. */
export const REACH = 9;
/** How far a pointer may move between down and up for a click, in pixels. */
const STILL = 4;

/** What the pointer means on a plan: where it is, what it clicks, and what it hovers over; two fingers only zoom. */
export function usePlanPointer(
  svg: RefObject<SVGSVGElement | null>,
  plan: Plan,
  tool: Tool,
  drawn: readonly PlanPoint[],
  clicked: (event: PointerEvent, at: PlanPoint) => void,
) {
  const [hover, setHover] = useState<PlanPoint | null>(null);
  const pressed = useRef<{ x: number; y: number; many: boolean } | null>(null);
  const fingers = useRef(new Set<number>());
  const near = magnets(plan, drawn);
  const at = (
    event: { readonly clientX: number; readonly clientY: number; readonly shiftKey: boolean },
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
  const lift = (event: PointerEvent) => void fingers.current.delete(event.pointerId);
  return {
    hover,
    setHover,
    near,
    at,
    handlers: {
      onPointerDown: (event: PointerEvent) => {
        fingers.current.add(event.pointerId);
        const many = fingers.current.size > 1;
        pressed.current = event.button === 0 ? { x: event.clientX, y: event.clientY, many } : null;
      },
      onPointerMove: (event: PointerEvent) => {
        if (event.pointerType !== 'touch' && tool !== 'move') setHover(at(event));
      },
      onPointerUp: (event: PointerEvent) => {
        lift(event);
        const from = pressed.current;
        pressed.current = null;
        if (!from || from.many) return;
        if (Math.hypot(event.clientX - from.x, event.clientY - from.y) <= STILL) clicked(event, at(event));
      },
      onPointerCancel: lift,
      onPointerLeave: (event: PointerEvent) => {
        lift(event);
        setHover(null);
      },
    },
  };
}
