import type { PointerEvent } from 'react';
import { samePoint } from '@/core/plan';
import type { PlanPoint, Traced } from '@/model';
import type { Corner } from './drawing';

/** A corner that is being dragged, and where it is now. */
export interface DraggedCorner {
  readonly corner: Corner;
  readonly to: PlanPoint;
}

/** The corners of what is selected, to be dragged. */
export function CornerHandles({
  traced,
  radius,
  dragged,
  setDragged,
  at,
  moveCorner,
}: {
  readonly traced: Traced;
  readonly radius: number;
  readonly dragged: DraggedCorner | null;
  readonly setDragged: (dragged: DraggedCorner | null) => void;
  /** Where on the plan the pointer is, a corner left out of what attracts it. */
  readonly at: (event: PointerEvent, except: PlanPoint) => PlanPoint;
  readonly moveCorner: (corner: Corner, to: PlanPoint) => void;
}) {
  return traced.figures.flatMap(({ points }, figure) =>
    points.map((corner, point) => {
      const here: Corner = { traced: traced.id, figure, point };
      const isDragged = dragged?.corner.figure === figure && dragged.corner.point === point;
      const [x, y] = isDragged ? dragged.to : corner;
      return (
        <circle
          key={`${figure} ${point}`}
          className="plan-handle"
          cx={x}
          cy={y}
          r={radius}
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
  );
}
