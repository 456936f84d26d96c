import type { Plan, PlanPoint } from '@/model';
import type { Tool } from './drawing';

const points = (all: readonly PlanPoint[]) => all.map((point) => point.join(',')).join(' ');

/** The two points of the scale, with the line between them. */
export function ScaleMark({
  scale,
  pixel,
}: {
  readonly scale: NonNullable<Plan['scale']>;
  readonly pixel: number;
}) {
  return (
    <g className="plan-scale">
      <path d={`M${scale.from.join(' ')}L${scale.to.join(' ')}`} />
      {[scale.from, scale.to].map((point, i) => (
        <circle key={i} cx={point[0]} cy={point[1]} r={4 * pixel} />
      ))}
    </g>
  );
}

/** What is being drawn, stretched to where the pointer is. `pixel` is one of the screen, in plan units. */
export function PlanDrawn({
  tool,
  drawn,
  hover,
  pixel,
}: {
  readonly tool: Tool;
  readonly drawn: readonly PlanPoint[];
  readonly hover: PlanPoint | null;
  readonly pixel: number;
}) {
  const rubber = hover && drawn.length > 0 ? [...drawn, hover] : drawn;
  return (
    <>
      {drawn.length > 0 && (
        <g className="plan-drawn">
          {(tool === 'area' || tool === 'cut') && rubber.length > 2 ? (
            <polygon points={points(rubber)} />
          ) : (
            <polyline points={points(rubber)} />
          )}
          {drawn.map((point, i) => (
            <circle key={i} cx={point[0]} cy={point[1]} r={4.5 * pixel} />
          ))}
        </g>
      )}
      {hover && tool !== 'move' && (
        <path
          className="plan-aim"
          d={`M${hover[0]! - 9 * pixel} ${hover[1]}h${18 * pixel}M${hover[0]} ${hover[1]! - 9 * pixel}v${18 * pixel}`}
        />
      )}
    </>
  );
}
