import type { CostPart, Crew, Rate } from '@/model';
import type { Fixed } from '../number';
import { ZERO_FIXED, addFixed, multiplyFixed, parseFixed, roundFixed, writeFixed } from '../number';
import { UNIT_COST_PLACES, itemUnitCost } from './cost';

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
    const crew = part.crew && crews.get(part.crew.id);
    if (part.crew && crew) {
      const key = `${part.crew.id} ${part.crew.hours}`;
      if (!done.has(key)) next.push(...crewParts(crew, part.crew.hours, rates));
      done.add(key);
      continue;
    }
    const rate = part.type === 'labour' && part.rateId !== undefined ? rates.get(part.rateId) : undefined;
    next.push(
      rate && part.type === 'labour' ? { ...part, rate: rate.normal, overtimeRate: rate.overtime } : part,
    );
  }
  return alike(next, costs) ? costs : next;
}

/** The same costs, whatever the order of their fields and however their numbers are written. */
function alike(one: readonly CostPart[], other: readonly CostPart[]): boolean {
  const text = (part: CostPart) =>
    part.type === 'labour'
      ? [
          part.type,
          ...[part.hours, part.rate, part.overtimeRate ?? part.rate].map((each) => parseFixed(each)),
          part.rateId,
          part.crew?.id,
          part.crew?.hours,
        ].join(' ')
      : [part.type, parseFixed(part.amount), part.crew?.id, part.crew?.hours].join(' ');
  return one.length === other.length && one.every((part, i) => text(part) === text(other[i]!));
}
