import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import Type from 'typebox';
import { itemUnitCost, repriced } from '@/core/price';
import { parseFixed, writeFixed } from '@/core/number';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { crew, item, labourRate } from '@/data/schema';
import type { Crew, Rate } from '@/model';
import { CrewInput, RateInput } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { Problem } from '../problem';
import { noteCost } from './items';
import { isTaken } from './taken';

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
  return tx
    .select({
      id: labourRate.id,
      name: labourRate.name,
      normal: labourRate.normal,
      overtime: labourRate.overtime,
    })
    .from(labourRate)
    .orderBy(asc(labourRate.name));
}

async function allCrews(tx: Transaction): Promise<Crew[]> {
  return tx
    .select({ id: crew.id, name: crew.name, people: crew.people, equipment: crew.equipment })
    .from(crew)
    .orderBy(asc(crew.name));
}

const RateChange = Type.Partial(RateInput);
const CrewChange = Type.Partial(CrewInput);

const byId = <T extends { readonly id: string }>(all: readonly T[]) =>
  new Map(all.map((each) => [each.id, each]));

/** The company's rates and crews, each with how many items in use name it. */
export async function listRatesAndCrews(actor: Actor) {
  return inCompany(actor.companyId, async (tx) => {
    const uses = await tx.execute<{ id: string; items: number }>(sql`
      select id, count(*)::int as items from (
        select distinct ${item.id} as item_id, coalesce(part->'crew'->>'id', part->>'rateId') as id
        from ${item}, jsonb_array_elements(${item.costs}) as part
        where ${item.retiredAt} is null) as named
      where id is not null group by id`);
    const items = new Map(uses.rows.map((row) => [row.id, row.items]));
    const counted = <T extends { readonly id: string }>(all: readonly T[]) =>
      all.map((each) => ({ ...each, items: items.get(each.id) ?? 0 }));
    return { rates: counted(await allRates(tx)), crews: counted(await allCrews(tx)) };
  });
}
export type RatesAndCrews = Awaited<ReturnType<typeof listRatesAndCrews>>;

/** Rates alone, by name. */
export const listRates = (actor: Actor): Promise<Rate[]> => inCompany(actor.companyId, allRates);

/** Crews alone, for pricing an item. */
export const listCrews = (actor: Actor): Promise<Crew[]> => inCompany(actor.companyId, allCrews);

/** Prices every item in use anew that names a rate or crew; what each cost before is kept. */
async function priceAnew(tx: Transaction, actor: Actor, why: string) {
  const rates = byId(await allRates(tx));
  const crews = byId(await allCrews(tx));
  const rows = await tx
    .select({ id: item.id, code: item.code, name: item.name, costs: item.costs })
    .from(item)
    .where(and(isNull(item.retiredAt), sql`(${item.costs} @? '$[*].rateId' or ${item.costs} @? '$[*].crew')`))
    .orderBy(item.code)
    .for('update');
  const moved: MovedItem[] = [];
  let count = 0;
  for (const row of rows) {
    const after = repriced(row.costs, rates, crews);
    if (after === row.costs) continue;
    await tx
      .update(item)
      .set({ costs: [...after] })
      .where(eq(item.id, row.id));
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

function refuseCheapOvertime({ normal, overtime }: Pick<Rate, 'normal' | 'overtime'>): void {
  if (parseFixed(overtime) < parseFixed(normal))
    throw new Problem(422, 'An hour of overtime does not cost less than a normal one.');
}

/**
 * Adds a labour rate, or changes what is given of one: every item that names it is priced anew with it. Proposals keep their
 * copies.
 */
export async function saveRate(actor: Actor, input: unknown, id?: string) {
  allow(actor, 'owner');
  if (id === undefined) {
    const added = check(RateInput, input, 'The rate');
    refuseCheapOvertime(added);
    return inCompany(actor.companyId, async (tx) => {
      const made = newId(actor.now);
      await tx.insert(labourRate).values({ companyId: actor.companyId, id: made, ...added });
      await recordAudit(tx, actor, 'rate added', made, added);
      return { id: made, count: 0, moved: [] };
    });
  }
  const change = check(RateChange, input, 'The rate');
  const rateId = checkId(id, 'There is no such rate.');
  return inCompany(actor.companyId, async (tx) => {
    const [now] = await tx.select().from(labourRate).where(eq(labourRate.id, rateId)).for('update');
    if (!now) throw new Problem(404, 'There is no such rate.');
    const wanted = { name: now.name, normal: now.normal, overtime: now.overtime, ...change };
    refuseCheapOvertime(wanted);
    await tx.update(labourRate).set(wanted).where(eq(labourRate.id, rateId));
    const { count, moved } = await priceAnew(tx, actor, `rate ${wanted.name}`);
    await recordAudit(tx, actor, 'rate changed', rateId, { ...wanted, items: count });
    return { id: rateId, count, moved };
  });
}

/** Adds a crew, or changes what is given of one: every item that names it is priced anew with it. */
export async function saveCrew(actor: Actor, input: unknown, id?: string) {
  allow(actor, 'owner');
  const given: Partial<CrewInput> = check(id === undefined ? CrewInput : CrewChange, input, 'The crew');
  const crewId = id === undefined ? null : checkId(id, 'There is no such crew.');
  try {
    return await inCompany(actor.companyId, async (tx) => {
      const [now] = crewId ? await tx.select().from(crew).where(eq(crew.id, crewId)).for('update') : [];
      if (crewId && !now) throw new Problem(404, 'There is no such crew.');
      const wanted: CrewInput = {
        name: now?.name ?? '',
        people: now?.people ?? [],
        equipment: now?.equipment ?? [],
        ...given,
      };
      if (wanted.people.length + wanted.equipment.length === 0)
        throw new Problem(422, 'A crew has people or equipment.');
      const rates = byId(await allRates(tx));
      if (wanted.people.some(({ rateId }) => !rates.has(rateId)))
        throw new Problem(422, 'This crew names a rate that is not in the library.');
      if (crewId === null) {
        const made = newId(actor.now);
        await tx.insert(crew).values({ companyId: actor.companyId, id: made, ...wanted });
        await recordAudit(tx, actor, 'crew added', made, { name: wanted.name });
        return { id: made, count: 0, moved: [] };
      }
      await tx.update(crew).set(wanted).where(eq(crew.id, crewId));
      const { count, moved } = await priceAnew(tx, actor, `crew ${wanted.name}`);
      await recordAudit(tx, actor, 'crew changed', crewId, { name: wanted.name, items: count });
      return { id: crewId, count, moved };
    });
  } catch (error) {
    if (isTaken(error)) throw new Problem(409, `There is a crew called “${given.name}” already.`);
    throw error;
  }
}

/** Takes a crew out; items keep what it was worked out to. */
export async function removeCrew(actor: Actor, id: unknown): Promise<void> {
  allow(actor, 'owner');
  const crewId = checkId(id, 'There is no such crew.');
  await inCompany(actor.companyId, async (tx) => {
    const gone = await tx.delete(crew).where(eq(crew.id, crewId)).returning({ name: crew.name });
    if (gone.length === 0) throw new Problem(404, 'There is no such crew.');
    await recordAudit(tx, actor, 'crew removed', crewId, { name: gone[0]!.name });
  });
}
