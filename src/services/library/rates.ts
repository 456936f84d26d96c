import Type from 'typebox';
import { itemUnitCost, repriced } from '@/core/price';
import { parseFixed, writeFixed } from '@/core/number';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { Crew, Rate } from '@/model';
import { CrewInput, RateInput } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { noSuch, Problem } from '../problem';
import { noteCost } from './items';
import { isTaken } from '../taken';
import { findRates, insertLabourRate, lockLabourRateById, updateLabourRate } from '@/data/library/labourRate';
import { findCrews, lockCrewById, insertCrew, updateCrew, removeCrewRow } from '@/data/library/crew';
import { countItemsByRate, lockItemsWithRates, updateItem } from '@/data/library/item';

/** An item whose cost a rate or crew moved. */
export interface MovedItem {
  readonly code: string;
  readonly name: string;
  readonly before: string;
  readonly after: string;
}
/** How many moved items are listed; the count is of all. */
const LISTED = 50;

async function allRates(tx: Transaction): Promise<Rate[]> {
  return findRates(tx);
}

async function allCrews(tx: Transaction): Promise<Crew[]> {
  return findCrews(tx);
}

const RateChange = Type.Partial(RateInput);
const CrewChange = Type.Partial(CrewInput);

const byId = <T extends { readonly id: string }>(all: readonly T[]) =>
  new Map(all.map((each) => [each.id, each]));

/** The company's rates and crews, each with how many items in use name it. */
export async function listRatesAndCrews(actor: Actor) {
  allow(actor, 'cost');
  return inCompany(actor, async (tx) => {
    const uses = await countItemsByRate(tx);
    const items = new Map(uses.rows.map((row) => [row.id, row.items]));
    const counted = <T extends { readonly id: string }>(all: readonly T[]) =>
      all.map((each) => ({ ...each, items: items.get(each.id) ?? 0 }));
    return { rates: counted(await allRates(tx)), crews: counted(await allCrews(tx)) };
  });
}
export type RatesAndCrews = Awaited<ReturnType<typeof listRatesAndCrews>>;

/** Rates alone, by name. */
export async function listRates(actor: Actor): Promise<Rate[]> {
  allow(actor, 'cost');
  return inCompany(actor, allRates);
}

/** Crews alone, for pricing an item. */
export async function listCrews(actor: Actor): Promise<Crew[]> {
  allow(actor, 'cost');
  return inCompany(actor, allCrews);
}

/** Prices every item in use anew that names a rate or crew; what each cost before is kept. */
async function priceAnew(tx: Transaction, actor: Actor, why: string) {
  const rates = byId(await allRates(tx));
  const crews = byId(await allCrews(tx));
  const rows = await lockItemsWithRates(tx);
  const moved: MovedItem[] = [];
  let count = 0;
  for (const row of rows) {
    const after = repriced(row.costs, rates, crews);
    if (after === row.costs) continue;
    await updateItem(tx, row.id, { costs: [...after] });
    await noteCost(tx, actor, row.id, row.costs, after, why);
    count += 1;
    if (moved.length < LISTED)
      moved.push({
        code: row.code,
        name: row.name,
        before: writeFixed(itemUnitCost(row.costs)),
        after: writeFixed(itemUnitCost(after)),
      });
  }
  return { count, moved };
}

/** @throws Problem `overtime-below-normal` */
function refuseCheapOvertime({ normal, overtime }: Pick<Rate, 'normal' | 'overtime'>): void {
  if (parseFixed(overtime) < parseFixed(normal))
    throw new Problem('overtime-below-normal', 'An hour of overtime does not cost less than a normal one.');
}

/**
 * Adds a labour rate, or changes what is given of one: every item that names it is priced anew with it. Proposals keep their
 * copies.
 * @throws Problem `no-such-rate`
 */
export async function saveRate(actor: Actor, input: unknown, id?: string) {
  allow(actor, 'library');
  if (id === undefined) {
    const added = check(RateInput, input, 'The rate');
    refuseCheapOvertime(added);
    return inCompany(actor, async (tx) => {
      const made = newId(actor.now);
      await insertLabourRate(tx, { companyId: actor.companyId, id: made, ...added });
      await recordAudit(tx, actor, 'rate added', made, added);
      return { id: made, count: 0, moved: [] };
    });
  }
  const change = check(RateChange, input, 'The rate');
  const rateId = checkId(id, 'rate');
  return inCompany(actor, async (tx) => {
    const [now] = await lockLabourRateById(tx, rateId);
    if (!now) throw noSuch('rate');
    const wanted = { name: now.name, normal: now.normal, overtime: now.overtime, day: now.day, ...change };
    refuseCheapOvertime(wanted);
    await updateLabourRate(tx, rateId, wanted);
    const { count, moved } = await priceAnew(tx, actor, `rate ${wanted.name}`);
    await recordAudit(tx, actor, 'rate changed', rateId, { ...wanted, items: count });
    return { id: rateId, count, moved };
  });
}

/**
 * Adds a crew, or changes what is given of one: every item that names it is priced anew with it.
 * @throws Problem `crew-empty`, `name-taken`, `no-such-crew`, `unknown-rate`
 */
export async function saveCrew(actor: Actor, input: unknown, id?: string) {
  allow(actor, 'library');
  const given: Partial<CrewInput> = check(id === undefined ? CrewInput : CrewChange, input, 'The crew');
  const crewId = id === undefined ? null : checkId(id, 'crew');
  try {
    return await inCompany(actor, async (tx) => {
      const [now] = crewId ? await lockCrewById(tx, crewId) : [];
      if (crewId && !now) throw noSuch('crew');
      const wanted: CrewInput = {
        name: now?.name ?? '',
        people: now?.people ?? [],
        equipment: now?.equipment ?? [],
        ...given,
      };
      if (wanted.people.length + wanted.equipment.length === 0)
        throw new Problem('crew-empty', 'A crew has people or equipment.');
      const rates = byId(await allRates(tx));
      if (wanted.people.some(({ rateId }) => !rates.has(rateId)))
        throw new Problem('unknown-rate', 'This crew names a rate that is not in the library.');
      if (crewId === null) {
        const made = newId(actor.now);
        await insertCrew(tx, { companyId: actor.companyId, id: made, ...wanted });
        await recordAudit(tx, actor, 'crew added', made, { name: wanted.name });
        return { id: made, count: 0, moved: [] };
      }
      await updateCrew(tx, crewId, wanted);
      const { count, moved } = await priceAnew(tx, actor, `crew ${wanted.name}`);
      await recordAudit(tx, actor, 'crew changed', crewId, { name: wanted.name, items: count });
      return { id: crewId, count, moved };
    });
  } catch (error) {
    if (isTaken(error)) throw new Problem('name-taken', `There is a crew called “${given.name}” already.`);
    throw error;
  }
}

/**
 * Takes a crew out; items keep what it was worked out to.
 * @throws Problem `no-such-crew`
 */
export async function removeCrew(actor: Actor, id: unknown): Promise<void> {
  allow(actor, 'library');
  const crewId = checkId(id, 'crew');
  await inCompany(actor, async (tx) => {
    const gone = await removeCrewRow(tx, crewId);
    if (gone.length === 0) throw noSuch('crew');
    await recordAudit(tx, actor, 'crew removed', crewId, { name: gone[0]!.name });
  });
}
