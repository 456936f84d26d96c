import { placeIn, samePoint, withoutRepeats } from '@/core/plan';
import type { Plan, PlanPoint, Traced } from '@/model';
import type { PlanMark } from '@/ui/PlanFigures';

/* What the pointer means on a plan, apart from any screen. */

export type Tool = 'move' | 'scale' | 'area' | 'cut' | 'length' | 'count';

export const tools: readonly {
  readonly tool: Tool;
  readonly name: string;
  readonly key: string;
  readonly how: string;
}[] = [
  {
    tool: 'move',
    name: 'Move',
    key: 'V',
    how: 'Drag the plan, or a corner of what is traced. The wheel zooms.',
  },
  { tool: 'scale', name: 'Scale', key: 'S', how: 'Click two points you know the distance between.' },
  {
    tool: 'area',
    name: 'Outline',
    key: 'O',
    how: 'Click the corners; Enter, or the first corner again, closes it.',
  },
  {
    tool: 'cut',
    name: 'Cut out',
    key: 'X',
    how: 'Click the corners of what comes off an outline; Enter closes it.',
  },
  { tool: 'length', name: 'Run', key: 'R', how: 'Click along it; Enter, or a double click, ends it.' },
  { tool: 'count', name: 'Count', key: 'C', how: 'Click each one.' },
];

/** How many points a tool wants before it is done; null where more may follow. */
export const pointsOf = (tool: Tool): number | null => (tool === 'scale' ? 2 : tool === 'count' ? 1 : null);

/** Enough points for what the tool makes? */
export function isEnough(tool: Tool, points: readonly PlanPoint[]): boolean {
  const distinct = withoutRepeats(points, tool === 'area' || tool === 'cut').length;
  if (tool === 'area' || tool === 'cut') return distinct >= 3;
  return distinct >= (tool === 'count' ? 1 : 2);
}

/** Every point of a plan that a new one may fall onto: corners, ends, and the points of the scale. */
export function magnets(plan: Plan, drawn: readonly PlanPoint[]): PlanPoint[] {
  const traced = plan.traced.flatMap(({ kind, figures }) =>
    kind === 'count' ? [] : figures.flatMap(({ points }) => points),
  );
  return [...traced, ...drawn, ...(plan.scale ? [plan.scale.from, plan.scale.to] : [])];
}

/**
 * Where a click counts: on a corner that is near, else at a right angle (or half of one) from the last point where that is
 * held, else as it is; always whole and within the plan.
 * @param reach how near a corner is near, in plan units
 */
export function settled(
  wanted: readonly [number, number],
  plan: Pick<Plan, 'width' | 'height'>,
  near: readonly PlanPoint[],
  reach: number,
  from: PlanPoint | undefined,
  straight: boolean,
): PlanPoint {
  const within = ([x, y]: readonly [number, number]): PlanPoint => [
    Math.round(Math.min(Math.max(x, 0), plan.width)),
    Math.round(Math.min(Math.max(y, 0), plan.height)),
  ];
  let best: PlanPoint | null = null;
  let least = reach;
  for (const point of near) {
    const far = Math.hypot(point[0]! - wanted[0], point[1]! - wanted[1]);
    if (far <= least) {
      least = far;
      best = point;
    }
  }
  if (best) return best;
  if (!straight || !from) return within(wanted);
  const [dx, dy] = [wanted[0] - from[0]!, wanted[1] - from[1]!];
  const step = Math.PI / 4;
  const angle = Math.round(Math.atan2(dy, dx) / step) * step;
  const along = dx * Math.cos(angle) + dy * Math.sin(angle);
  return within([from[0]! + along * Math.cos(angle), from[1]! + along * Math.sin(angle)]);
}

/** The area that a cut-out belongs to: the selected one if it holds it, else the first whose outline does. */
export function areaAround(
  plan: Plan,
  points: readonly PlanPoint[],
  selected: string | null,
): Traced | undefined {
  const holds = (traced: Traced) =>
    traced.kind === 'area' &&
    traced.figures.some(
      (figure) => !figure.cut && points.every((point) => placeIn(figure.points, point) >= 0),
    );
  const areas = plan.traced.filter(holds);
  return areas.find(({ id }) => id === selected) ?? areas[0];
}

/** A first label for something traced: “Area 2”. */
export function firstLabel(plan: Plan, kind: Traced['kind']): string {
  const word = { area: 'Area', length: 'Run', count: 'Count' }[kind];
  const labels = new Set(plan.traced.map(({ label }) => label));
  for (let n = plan.traced.filter((traced) => traced.kind === kind).length + 1; ; n += 1)
    if (!labels.has(`${word} ${n}`)) return `${word} ${n}`;
}

/** One corner of what is traced: of which quantity, which of its figures, and which of their points. */
export interface Corner {
  readonly traced: string;
  readonly figure: number;
  readonly point: number;
}

/** The marks with one corner moved, as it is dragged. */
export const withCornerAt = (marks: readonly PlanMark[], corner: Corner, to: PlanPoint): PlanMark[] =>
  marks.map((mark) =>
    mark.id !== corner.traced
      ? mark
      : {
          ...mark,
          figures: mark.figures.map((figure, f) =>
            f !== corner.figure
              ? figure
              : { ...figure, points: figure.points.map((point, p) => (p === corner.point ? to : point)) },
          ),
        },
  );

/** Whether a click on a point closes what is drawn: the first corner again, of what can be closed. */
export function closes(tool: Tool, drawn: readonly PlanPoint[], point: PlanPoint): boolean {
  const first = drawn[0];
  return (
    (tool === 'area' || tool === 'cut') && drawn.length >= 3 && first !== undefined && samePoint(first, point)
  );
}
