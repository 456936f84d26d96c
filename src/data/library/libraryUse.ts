import type { Transaction } from '../connection';
import { libraryUse } from '../schema';
import { sql } from 'drizzle-orm';

/** Counts what was taken into sections. */
export const countUses = async (
  tx: Transaction,
  rows: readonly { readonly usedId: string; readonly sectionKind: string; readonly count: number }[],
  actor: { readonly companyId: string; readonly now: Date },
) =>
  tx
    .insert(libraryUse)
    .values(rows.map((row) => ({ ...row, companyId: actor.companyId, lastAt: actor.now })))
    .onConflictDoUpdate({
      target: [libraryUse.companyId, libraryUse.sectionKind, libraryUse.usedId],
      set: { count: sql`${libraryUse.count} + excluded.count`, lastAt: actor.now },
    });
