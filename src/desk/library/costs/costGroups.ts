import { isBelowZero, multiplyFixed, parseFixed, writeFixed } from '@/core/number';
import { crewOf } from '@/core/price';
import { parseQuantity } from '@/core/quantity';
import type { CostPart, CostType, Rate } from '@/model';
import { HOURS_OF_A_DAY } from '@/model';

/**
 * A cost or a number of hours as it was typed.
 * @throws Error in words for what is no number or below zero
 */
export function readCost(typed: string, places: number): string {
  const value = writeFixed(parseQuantity(typed, places));
  if (isBelowZero(value)) throw new Error('Not below zero.');
  return value;
}

/** The parts of a cost as they are shown: one by one, those of a crew as one. */
export interface CostGroup {
  readonly crew: { readonly id: string; readonly hours: string } | null;
  readonly parts: readonly CostPart[];
  /** Where its first part stands. */
  readonly at: number;
}

export function groupsOf(costs: readonly CostPart[]): CostGroup[] {
  const groups: { crew: CostGroup['crew']; parts: CostPart[]; at: number }[] = [];
  const byCrew = new Map<string, CostPart[]>();
  for (const [at, part] of costs.entries()) {
    const crew = crewOf(part);
    const key = crew && `${crew.id} ${crew.hours}`;
    const known = key === null ? undefined : byCrew.get(key);
    if (known) {
      known.push(part);
      continue;
    }
    const parts = [part];
    if (key !== null) byCrew.set(key, parts);
    groups.push({ crew, parts, at });
  }
  return groups;
}

/** How a part of a cost is worked out. */
export type CostWay = 'unit' | 'hour' | 'overtime' | 'day';

/** The ways a type of cost can be worked out, with what stands between the figure and the rate. */
export const waysOf = (type: CostType): readonly { readonly value: CostWay; readonly label: string }[] =>
  type === 'labour'
    ? [
        { value: 'hour', label: 'hours of' },
        { value: 'overtime', label: 'overtime of' },
        { value: 'day', label: 'days of' },
      ]
    : [
        { value: 'unit', label: 'per unit' },
        { value: 'hour', label: 'hours at' },
        { value: 'day', label: 'days at' },
      ];

export const wayOf = (part: CostPart): CostWay =>
  'amount' in part
    ? 'unit'
    : 'times' in part
      ? part.per
      : 'days' in part
        ? 'day'
        : part.overtime
          ? 'overtime'
          : 'hour';

/** The figure a part begins with: an amount, hours, days or times. */
export const figureOf = (part: CostPart): string =>
  'amount' in part ? part.amount : 'times' in part ? part.times : 'days' in part ? part.days : part.hours;

export const withFigure = (part: CostPart, typed: string): CostPart =>
  'amount' in part
    ? { ...part, amount: readCost(typed, 4) }
    : 'times' in part
      ? { ...part, times: readCost(typed, 6) }
      : 'days' in part
        ? { ...part, days: readCost(typed, 6) }
        : { ...part, hours: readCost(typed, 6) };

/** What a whole day of a rate costs: as agreed, or eight normal hours. */
export const dayOf = (rate: Pick<Rate, 'normal' | 'day'>): string =>
  rate.day ?? writeFixed(multiplyFixed(parseFixed(rate.normal), parseFixed(HOURS_OF_A_DAY)));

/** Labour worked out in a way, at a rate of the library or (undefined) at one of its own, which begins with nothing. */
export function labourPart(way: CostWay, figure: string, rate: Rate | undefined): CostPart {
  const of = rate ? { rateId: rate.id } : {};
  if (way === 'day')
    return {
      type: 'labour',
      days: figure,
      dayRate: rate ? dayOf(rate) : '0',
      dayHours: HOURS_OF_A_DAY,
      ...of,
    };
  return {
    type: 'labour',
    hours: figure,
    rate: rate?.normal ?? '0',
    ...(rate ? { overtimeRate: rate.overtime } : {}),
    ...(way === 'overtime' ? { overtime: true as const } : {}),
    ...of,
  };
}

/** The part worked out another way; what it costs by a rate of its own stays the rate. */
export function inWay(part: CostPart, way: CostWay, rates: readonly Rate[]): CostPart {
  if (part.type === 'labour') {
    const rate = rates.find(({ id }) => id === part.rateId);
    const next = labourPart(way, figureOf(part), rate);
    if (rate || next.type !== 'labour') return next;
    return withOwnRate(next, ownRateOf(part));
  }
  const own = ownRateOf(part);
  if (way === 'unit') return { type: part.type, amount: own };
  if (part.type !== 'equipment') return part;
  return {
    type: 'equipment',
    times: 'times' in part ? part.times : '1',
    per: way === 'day' ? 'day' : 'hour',
    rate: own,
  };
}

/** What an hour, a day or a unit of a part costs. */
export const ownRateOf = (part: CostPart): string =>
  'amount' in part ? part.amount : 'times' in part ? part.rate : 'days' in part ? part.dayRate : part.rate;

export function withOwnRate(part: CostPart, rate: string): CostPart {
  if ('amount' in part) return { ...part, amount: rate };
  if ('times' in part) return { ...part, rate };
  if ('days' in part) return { ...part, dayRate: rate };
  // An hour of overtime of a rate of its own is what is typed.
  const { overtimeRate: _, ...plain } = part;
  return part.overtime ? { ...plain, rate, overtimeRate: rate } : { ...plain, rate };
}
