import { asc, desc, sql } from 'drizzle-orm';
import { RowError, plainPostcode, readAreas as readTable } from '@/core/importing';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { areaFactor } from '@/data/schema';
import type { AreaFactors } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { Problem } from '../problem';

/** The company's area factors, by prefix. */
export async function listAreas(actor: Actor) {
  return inCompany(actor.companyId, (tx) =>
    tx
      .select({
        prefix: areaFactor.prefix,
        name: areaFactor.name,
        material: areaFactor.material,
        labour: areaFactor.labour,
        equipment: areaFactor.equipment,
      })
      .from(areaFactor)
      .orderBy(asc(areaFactor.prefix)),
  );
}

/** Loads a table of area factors in place of the one there is. */
export async function saveAreas(actor: Actor, text: unknown): Promise<{ count: number }> {
  allow(actor, 'owner');
  if (typeof text !== 'string' || text.length > 1_000_000)
    throw new Problem(422, 'A table as text is wanted, at most a million letters.');
  let rows;
  try {
    rows = readTable(text);
  } catch (error) {
    if (error instanceof RowError) throw new Problem(422, error.message);
    throw error;
  }
  return inCompany(actor.companyId, async (tx) => {
    await tx.delete(areaFactor);
    for (let at = 0; at < rows.length; at += 1000)
      await tx
        .insert(areaFactor)
        .values(rows.slice(at, at + 1000).map((row) => ({ ...row, companyId: actor.companyId })));
    await recordAudit(tx, actor, 'area factors loaded', actor.companyId, { count: rows.length });
    return { count: rows.length };
  });
}

/** The factors for a postcode: of the longest prefix it begins with. Undefined where none fits. */
export async function areaOf(tx: Transaction, postcode: string): Promise<AreaFactors | undefined> {
  const [row] = await tx
    .select()
    .from(areaFactor)
    .where(sql`starts_with(${plainPostcode(postcode)}, ${areaFactor.prefix})`)
    .orderBy(desc(sql`length(${areaFactor.prefix})`))
    .limit(1);
  return row && { name: row.name, material: row.material, labour: row.labour, equipment: row.equipment };
}
