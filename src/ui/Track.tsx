import { Fragment } from 'react';
import { isNothing, showDecimal } from '@/core/number';

/** One cut of the track, amounts as decimal text. */
export interface TrackPart {
  readonly id: string;
  readonly name: string;
  readonly amount: string;
  /** What is earned by the work done, where it is known. */
  readonly earned?: string;
  /** Left out where nothing can be billed yet. */
  readonly billed?: string;
  readonly paid?: string;
}

/** How wide a part is drawn, in percent. For drawing only: no amount on screen comes from here. */
function share(part: string, whole: string): number {
  const all = Math.abs(Number(whole));
  return all === 0 ? 0 : Math.min(100, (Math.abs(Number(part)) / all) * 100);
}

/**
 * The track: wherever money is staged, one bar for the sum to date, cut at its payment entries, filled with what is
 * earned (a line along its top), billed (hatched) and paid (solid). With `named`, each cut carries its name and amount; where the place is too narrow for
 * that, they stand in a list below.
 */
export function Track({
  parts,
  height = 6,
  named = false,
}: {
  parts: readonly TrackPart[];
  height?: number;
  named?: boolean;
}) {
  const text = parts
    .map(({ name, amount, earned, billed, paid }) =>
      billed === undefined
        ? `${name} ${showDecimal(amount)}`
        : `${name} ${showDecimal(amount)}:${earned !== undefined && !isNothing(earned) ? ` earned ${showDecimal(earned)},` : ''} billed ${showDecimal(billed)}, paid ${showDecimal(paid ?? '0')}`,
    )
    .join('; ');
  const bar = (
    <div
      className="track"
      role="img"
      aria-label={text}
      style={{ ['--track-height' as never]: `${height}px` }}
    >
      {parts.map((part) => (
        <div
          key={part.id}
          className="track-cut"
          style={{ flex: `${Math.max(Math.abs(Number(part.amount)), 0.01)} 1 0` }}
        >
          <div className="track-bar">
            <div className="track-billed" style={{ width: `${share(part.billed ?? '0', part.amount)}%` }} />
            {part.earned !== undefined && !isNothing(part.earned) && (
              <div className="track-earned" style={{ width: `${share(part.earned, part.amount)}%` }} />
            )}
            <div className="track-paid" style={{ width: `${share(part.paid ?? '0', part.amount)}%` }} />
          </div>
          {named && (
            <>
              <div className="track-name">{part.name}</div>
              <div className="track-figure">{showDecimal(part.amount)}</div>
            </>
          )}
        </div>
      ))}
    </div>
  );
  if (!named) return bar;
  return (
    <div className="track-named">
      {bar}
      <dl className="track-list" aria-hidden="true">
        {parts.map((part) => (
          <Fragment key={part.id}>
            <dt>{part.name}</dt>
            <dd>{showDecimal(part.amount)}</dd>
          </Fragment>
        ))}
      </dl>
    </div>
  );
}
