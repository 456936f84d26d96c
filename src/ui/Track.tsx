import { showDecimal } from '@/core/number';

/** One cut of the track, amounts as decimal text. */
export interface TrackPart {
  readonly id: string;
  readonly name: string;
  readonly amount: string;
  readonly billed: string;
  readonly paid: string;
}

/** How wide a part is drawn, in per cent. For drawing only: no amount on screen comes from here. */
function share(part: string, whole: string): number {
  const all = Math.abs(Number(whole));
  return all === 0 ? 0 : Math.min(100, (Math.abs(Number(part)) / all) * 100);
}

/**
 * The track: wherever money is staged, one bar for the sum to date, cut at its payment entries, filled with what is
 * billed (hatched) and what is paid (solid). With `named`, each cut carries its name and amount.
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
    .map(
      ({ name, amount, billed, paid }) =>
        `${name} ${showDecimal(amount)}: billed ${showDecimal(billed)}, paid ${showDecimal(paid)}`,
    )
    .join('; ');
  return (
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
            <div className="track-billed" style={{ width: `${share(part.billed, part.amount)}%` }} />
            <div className="track-paid" style={{ width: `${share(part.paid, part.amount)}%` }} />
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
}
