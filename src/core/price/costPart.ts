import type { CostPart } from '@/model';
import type { Fixed } from '../number';
import { ZERO_FIXED, divideRounded, multiplyFixed, parseFixed, writeFixed } from '../number';

/* A part of a unit cost, however it was worked out: an amount, hours, days, or equipment by time. */

/** The hours of a crew a part was worked out from. */
export const crewOf = (part: CostPart): { readonly id: string; readonly hours: string } | null =>
  ('crew' in part ? part.crew : undefined) ?? null;

/** Labour by hours: hours per unit and what an hour of them costs, six places each. */
export interface Hourly {
  readonly hours: Fixed;
  readonly rate: Fixed;
  /** Null where no other is known. */
  readonly overtimeRate: Fixed | null;
}

const MILLION = 1_000_000n;

/**
 * Labour by the hour, whichever way it was worked out; null for what is no labour. Of work by the day the rate is the day
 * rate ÷ the hours of a day, rounded to six places.
 */
export function hourly(part: CostPart): Hourly | null {
  if (part.type !== 'labour') return null;
  if ('days' in part) {
    const dayHours = parseFixed(part.dayHours);
    const rate = dayHours === 0n ? ZERO_FIXED : divideRounded(parseFixed(part.dayRate) * MILLION, dayHours);
    return {
      hours: multiplyFixed(parseFixed(part.days), dayHours),
      rate: rate as Fixed,
      overtimeRate: null,
    };
  }
  const overtimeRate = part.overtimeRate === undefined ? null : parseFixed(part.overtimeRate);
  const rate = part.overtime && overtimeRate !== null ? overtimeRate : parseFixed(part.rate);
  return { hours: parseFixed(part.hours), rate, overtimeRate };
}

/**
 * What a part costs per unit, before the factor of the area: hours × rate, days × day rate, times × rate, or the amount;
 * rounded to six places.
 * @param overtime labour by the hour at the overtime rate, where one is known; a day rate is a day rate
 */
export function partCost(part: CostPart, overtime: boolean): Fixed {
  if ('amount' in part) return parseFixed(part.amount);
  if ('times' in part) return multiplyFixed(parseFixed(part.times), parseFixed(part.rate));
  if ('days' in part) return multiplyFixed(parseFixed(part.days), parseFixed(part.dayRate));
  const { hours, rate, overtimeRate } = hourly(part)!;
  return multiplyFixed(hours, overtime ? (overtimeRate ?? rate) : rate);
}

/** Hours of work per unit in a part; none where it is no labour. */
export const partHours = (part: CostPart): Fixed => hourly(part)?.hours ?? ZERO_FIXED;

/**
 * A part for so many units as one.
 * @param by the units, millionths
 */
export function partFor(part: CostPart, by: Fixed): CostPart {
  const times = (text: string) => writeFixed(multiplyFixed(parseFixed(text), by));
  if ('amount' in part) return { ...part, amount: times(part.amount) };
  if ('times' in part) return { ...part, times: times(part.times) };
  if ('days' in part) return { ...part, days: times(part.days) };
  return { ...part, hours: times(part.hours) };
}
