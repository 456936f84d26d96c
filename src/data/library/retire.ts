import { inArray } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { bundle, item } from '../schema';

const tables = { item, bundle } as const;

/** Takes items or bundles out of use, or (`at` null) back into it; returns the ids of those there are. */
export async function setRetired(
  tx: Transaction,
  kind: keyof typeof tables,
  ids: readonly string[],
  at: Date | null,
): Promise<string[]> {
  const table = tables[kind];
  const changed = await tx
    .update(table)
    .set({ retiredAt: at })
    .where(inArray(table.id, [...ids]))
    .returning({ id: table.id });
  return changed.map(({ id }) => id);
}
