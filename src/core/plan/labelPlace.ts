import type { PlanPoint, Traced } from '@/model';

/** Where a label stands: the middle of the corners of an outline, the middle of the longest side of a run. */
export function labelPlace(kind: Traced['kind'], points: readonly PlanPoint[]): readonly [number, number] {
  if (points.length === 0) return [0, 0];
  if (kind === 'area') {
    const sum = points.reduce<[number, number]>(([x, y], point) => [x + point[0]!, y + point[1]!], [0, 0]);
    return [sum[0] / points.length, sum[1] / points.length];
  }
  let best: readonly [number, number] = [points[0]![0]!, points[0]![1]!];
  let longest = -1;
  for (const [i, point] of points.slice(1).entries()) {
    const before = points[i]!;
    const far = Math.hypot(point[0]! - before[0]!, point[1]! - before[1]!);
    if (kind === 'length' && far > longest) {
      longest = far;
      best = [(point[0]! + before[0]!) / 2, (point[1]! + before[1]!) / 2];
    }
  }
  return best;
}
