import { labelPlace } from '@/core/plan/labelPlace';
import type { PlanFigure, PlanPoint, Traced } from '@/model';

/** What was traced, as it is drawn: with its label and its quantity in words. */
export interface PlanMark {
  readonly id: string;
  readonly label: string;
  readonly kind: Traced['kind'];
  readonly figures: readonly PlanFigure[];
  /** “216 sq ft”; null where it cannot be computed. */
  readonly quantity: string | null;
}

const path = (points: readonly PlanPoint[], closed: boolean) =>
  `M${points.map((point) => point.join(' ')).join('L')}${closed ? 'Z' : ''}`;

/** Outlines, runs and marks with their labels, in the coordinates of the plan. `size` is one em of a label there. */
export function PlanFigures({
  marks,
  size,
  selected,
}: {
  readonly marks: readonly PlanMark[];
  readonly size: number;
  readonly selected?: string | null;
}) {
  return (
    <>
      {marks.map(({ id, label, kind, figures, quantity }) => {
        const first = figures.find(({ cut }) => !cut)?.points ?? [];
        const [x, y] = labelPlace(kind, first);
        return (
          <g
            key={id}
            className={`plan-mark plan-${kind} ${selected === id ? 'plan-selected' : ''}`}
            data-mark={id}
          >
            {kind === 'area' && figures.length > 0 && (
              <path
                className="plan-fill"
                fillRule="evenodd"
                d={figures.map(({ points }) => path(points, true)).join('')}
              />
            )}
            {kind === 'length' &&
              figures.map(({ points }, i) => <path key={i} className="plan-line" d={path(points, false)} />)}
            {kind === 'count' &&
              figures.flatMap(({ points }, i) =>
                points.map(([px, py], j) => (
                  <g key={`${i} ${j}`} transform={`translate(${px} ${py}) scale(${size})`}>
                    <circle className="plan-dot" r="0.62" />
                    <path className="plan-cross" d="M-.3 0H.3M0-.3V.3" />
                  </g>
                )),
              )}
            {first.length > 0 && (
              <text
                x={x}
                y={kind === 'area' ? y : y - size}
                fontSize={size}
                textAnchor="middle"
                className="plan-label"
              >
                {kind === 'area' ? (
                  <>
                    <tspan x={x}>{label}</tspan>
                    {quantity && (
                      <tspan x={x} dy={size * 1.25}>
                        {quantity}
                      </tspan>
                    )}
                  </>
                ) : (
                  `${label}${quantity ? ` · ${quantity}` : ''}`
                )}
              </text>
            )}
          </g>
        );
      })}
    </>
  );
}
