import { plusDays, quarterOf } from '@/core/calendar';

/** Some days, both ends in it. */
export interface Period {
  readonly from: string;
  readonly to: string;
}

/** Periods in reach: this quarter and year, and those before. */
export function periodsNear(today: string): readonly (Period & { readonly name: string })[] {
  const quarter = quarterOf(today);
  const year = Number(today.slice(0, 4));
  const yearOf = (number: number) => ({ from: `${number}-01-01`, to: `${number}-12-31` });
  return [
    { name: 'this quarter', ...quarter },
    { name: 'last quarter', ...quarterOf(plusDays(quarter.from, -1)) },
    { name: String(year), ...yearOf(year) },
    { name: String(year - 1), ...yearOf(year - 1) },
  ];
}
