import type { KeptFile } from '@/services/files/keep';
import type { Plan, PlanPoint } from '@/model';

/** Tenths of a pixel to the foot, as the sample plans are drawn. */
const FOOT = 400;
const at = ([x, y]: readonly [number, number]): PlanPoint => [Math.round(x * FOOT), Math.round(y * FOOT)];

/** The sample plan of the rear porch, measured: its floor around the chimney, its posts, the fence. */
export function porchPlan(file: KeptFile): Plan {
  const traced = (
    name: string,
    label: string,
    kind: 'area' | 'length' | 'count',
    points: readonly (readonly [number, number])[],
  ) => ({ id: `traced-${name}`, name, label, kind, figures: [{ points: points.map(at) }] });
  return {
    id: 'plan-rear',
    name: file.name,
    file: file.id,
    width: file.width * 10,
    height: file.height * 10,
    scale: { from: at([4, 1.6]), to: at([44, 1.6]), length: { value: '40', typed: `40' 0"` } },
    traced: [
      traced('porch', 'Porch', 'area', [
        [10, 14],
        [22, 14],
        [22, 16],
        [26, 16],
        [26, 28],
        [10, 28],
      ]),
      traced('posts', 'Posts', 'count', [
        [10, 21],
        [26, 21],
        [10, 28],
        [15.33, 28],
        [20.67, 28],
        [26, 28],
      ]),
      traced('fence', 'Fence', 'length', [
        [2, 14],
        [2, 35],
        [48, 35],
        [48, 14],
      ]),
    ],
    shown: true,
  };
}
