/** How many backups are kept: the newest of each of so many days, weeks (from Monday) and months. */
export interface Retention {
  readonly days: number;
  readonly weeks: number;
  readonly months: number;
}

/** Reads `7 4 12`: days, weeks, months. Null: it is no such thing. */
export function readRetention(text: string): Retention | null {
  const found = /^(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})$/.exec(text.trim());
  if (!found) return null;
  const [days, weeks, months] = found.slice(1).map(Number) as [number, number, number];
  return days + weeks + months === 0 ? null : { days, weeks, months };
}

const day = (at: Date) => at.toISOString().slice(0, 10);
const week = (at: Date) => day(new Date(at.getTime() - ((at.getUTCDay() + 6) % 7) * 24 * 3600_000));
const month = (at: Date) => at.toISOString().slice(0, 7);

/**
 * Which backups are kept; all others may go. The newest is always kept.
 * @param made when each was made
 */
export function keptBackups<T extends { readonly at: Date }>(
  made: readonly T[],
  retention: Retention,
): Set<T> {
  const newestFirst = [...made].sort((a, b) => b.at.getTime() - a.at.getTime());
  const kept = new Set<T>(newestFirst.slice(0, 1));
  for (const [of, count] of [
    [day, retention.days],
    [week, retention.weeks],
    [month, retention.months],
  ] as const) {
    const seen = new Set<string>();
    for (const each of newestFirst) {
      const span = of(each.at);
      if (seen.has(span)) continue;
      if (seen.size === count) break;
      seen.add(span);
      kept.add(each);
    }
  }
  return kept;
}
