import type { CostPart, Crew, Rate } from '@/model';
import type { Fixed } from '../number';
import { ZERO_FIXED, addFixed, multiplyFixed, parseFixed, roundFixed, writeFixed } from '../number';
import { UNIT_COST_PLACES, itemUnitCost } from './cost';
import { crewOf } from './costPart';

/** A crew of which a rate is not in the library (any more). */
export class RateGone extends Error {
  constructor(readonly rateId: string) {
    super('A rate of this crew is not in the library any more.');
    this.name = 'RateGone';
  }
}

type Rates = ReadonlyMap<string, Rate>;

/**
 * What some hours of a crew cost, as parts of a unit cost: for each rate its people's hours, and the equipment as one
 * amount, rounded to four places. Each part names the crew and its hours, so that it can be worked out again.
 *
 * @param hours hours of the whole crew per unit, as decimal text
 * @throws RateGone
 */
export function crewParts(crew: Crew, hours: string, rates: Rates): CostPart[] {
  const of = { id: crew.id, hours };
  const worked = parseFixed(hours);
  const people = crew.people.map(({ rateId, count }): CostPart => {
    const rate = rates.get(rateId);
    if (!rate) throw new RateGone(rateId);
    return {
      type: 'labour',
      hours: writeFixed((worked * BigInt(count)) as Fixed),
      rate: rate.normal,
      overtimeRate: rate.overtime,
      rateId,
      crew: of,
    };
  });
  const perHour = addFixed(crew.equipment.map((each) => parseFixed(each.perHour)));
  if (perHour === ZERO_FIXED) return people;
  const amount = roundFixed(multiplyFixed(worked, perHour), UNIT_COST_PLACES);
  return [...people, { type: 'equipment', amount: writeFixed(amount), crew: of }];
}

/** What an hour of a crew costs at the normal rates. */
export const crewHour = (crew: Crew, rates: Rates): Fixed => itemUnitCost(crewParts(crew, '1', rates));

/**
 * Costs with the rates and crews as they are now: labour at its rate, and each group of parts of a crew worked out anew. What
 * names no rate and no crew, or one that is gone, stays as it is.
 * @returns the same list where nothing moved
 */
export function repriced(
  costs: readonly CostPart[],
  rates: Rates,
  crews: ReadonlyMap<string, Crew>,
): readonly CostPart[] {
  const next: CostPart[] = [];
  const done = new Set<string>();
  for (const part of costs) {
    const of = crewOf(part);
    const crew = of && crews.get(of.id);
    if (of && crew) {
      const key = `${of.id} ${of.hours}`;
      if (!done.has(key)) next.push(...crewParts(crew, of.hours, rates));
      done.add(key);
      continue;
    }
    const rate = part.type === 'labour' && part.rateId !== undefined ? rates.get(part.rateId) : undefined;
    next.push(rate ? atRate(part, rate) : part);
  }
  return alike(next, costs) ? costs : next;
}

/** A part at a rate as it is now; of a rate without a day rate, work by the day stays what it is. */
function atRate(part: CostPart, rate: Rate): CostPart {
  if (part.type !== 'labour') return part;
  if ('days' in part) return typeof rate.day === 'string' ? { ...part, dayRate: rate.day } : part;
  return { ...part, rate: rate.normal, overtimeRate: rate.overtime };
}

/** The same costs, whatever the order of their fields and however their numbers are written. */
function alike(one: readonly CostPart[], other: readonly CostPart[]): boolean {
  const text = (part: CostPart) => {
    const decimals =
      'amount' in part
        ? [part.amount]
        : 'times' in part
          ? [part.times, part.rate]
          : 'days' in part
            ? [part.days, part.dayRate, part.dayHours]
            : [part.hours, part.rate, part.overtimeRate ?? part.rate];
    return JSON.stringify([
      part.type,
      ...decimals.map((each) => writeFixed(parseFixed(each))),
      'per' in part ? part.per : 'overtime' in part,
      'rateId' in part ? part.rateId : null,
      crewOf(part),
    ]);
  };
  return one.length === other.length && one.every((part, i) => text(part) === text(other[i]!));
}
