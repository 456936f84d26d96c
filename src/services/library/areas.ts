import { RowError, readAreas as readTable } from '@/core/importing';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { AreaFactors } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { Problem } from '../problem';
import { findAreas, deleteAreas, insertAreaFactor, findAreaOf } from '@/data/library/areaFactor';

/** The company's area factors, by prefix. */
export async function listAreas(actor: Actor) {
  allow(actor, 'cost');
  return inCompany(actor, (tx) => findAreas(tx));
}

/**
 * Loads a table of area factors in place of the one there is.
 * @throws Problem `table-unreadable`
 */
export async function saveAreas(actor: Actor, text: unknown): Promise<{ count: number }> {
  allow(actor, 'library');
  if (typeof text !== 'string' || text.length > 1_000_000)
    throw new Problem('table-unreadable', 'A table as text is wanted, at most a million letters.');
  let rows;
  try {
    rows = readTable(text);
  } catch (error) {
    if (error instanceof RowError) throw new Problem('table-unreadable', error.message);
    throw error;
  }
  return inCompany(actor, async (tx) => {
    await deleteAreas(tx);
    for (let at = 0; at < rows.length; at += 1000)
      await insertAreaFactor(
        tx,
        rows.slice(at, at + 1000).map((row) => ({ ...row, companyId: actor.companyId })),
      );
    await recordAudit(tx, actor, 'area factors loaded', actor.companyId, { count: rows.length });
    return { count: rows.length };
  });
}

/** The factors for a postcode: of the longest prefix it begins with. Undefined where none fits. */
export async function areaOf(tx: Transaction, postcode: string): Promise<AreaFactors | undefined> {
  const [row] = await findAreaOf(tx, postcode);
  return row && { name: row.name, material: row.material, labour: row.labour, equipment: row.equipment };
}
