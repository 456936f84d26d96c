import { select } from 'd3-selection';
import type { ZoomBehavior } from 'd3-zoom';
import { zoom as zoomBehaviour, zoomIdentity } from 'd3-zoom';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Plan } from '@/model';
import type { Tool } from './drawing';

/** How a plan is looked at: where its corner stands on the screen, and how many pixels a plan unit is. */
export interface PlanView {
  readonly x: number;
  readonly y: number;
  readonly k: number;
}

/** How much of the frame the whole plan takes. */
const FILLED = 0.96;

/** Zooms and moves the plan by wheel, pointer, fingers and keys; it begins with all of it. */
export function usePlanZoom({ width, height }: Plan, tool: Tool) {
  const svg = useRef<SVGSVGElement>(null);
  const zoom = useRef<ZoomBehavior<SVGSVGElement, unknown>>(null);
  const [view, setView] = useState<PlanView>({ x: 0, y: 0, k: 0.03 });
  const toolNow = useRef(tool);
  useEffect(() => {
    toolNow.current = tool;
  }, [tool]);

  const fit = useCallback(() => {
    const box = svg.current?.getBoundingClientRect();
    if (!box || !zoom.current || box.width === 0) return;
    const k = Math.min(box.width / width, box.height / height) * FILLED;
    const moved = zoomIdentity.translate((box.width - width * k) / 2, (box.height - height * k) / 2).scale(k);
    zoom.current.scaleExtent([k / 2, k * 40]).transform(select(svg.current!), moved);
  }, [width, height]);

  useEffect(() => {
    const element = svg.current!;
    const behaviour = zoomBehaviour<SVGSVGElement, unknown>()
      .filter((event: MouseEvent | TouchEvent | WheelEvent) => {
        if (event.type === 'wheel') return true;
        if ('touches' in event) return event.touches.length > 1 || toolNow.current === 'move';
        return event.button === 1 || (event.button === 0 && toolNow.current === 'move');
      })
      .on('zoom', ({ transform: { x, y, k } }: { transform: PlanView }) => setView({ x, y, k }));
    zoom.current = behaviour;
    select(element).call(behaviour).on('dblclick.zoom', null);
    fit();
    return () => {
      select(element).on('.zoom', null);
    };
  }, [fit]);

  return { svg, view, fit, zoomBy: (by: number) => zoom.current?.scaleBy(select(svg.current!), by) };
}
