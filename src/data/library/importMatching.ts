import type { Transaction } from '../connection';
import { importMatching } from '../schema';
import { eq } from 'drizzle-orm';

/** Rows by their source. */
export const importMatchingBySource = async (
  tx: Transaction,
  source: string,
): Promise<(typeof importMatching.$inferSelect)[]> =>
  tx.select().from(importMatching).where(eq(importMatching.source, source));

/** Keeps how the columns of a source were matched. */
export const putMatching = async (
  tx: Transaction,
  actor: { readonly companyId: string; readonly now: Date },
  file: { readonly source: string },
  matching: (string | null)[],
) =>
  tx
    .insert(importMatching)
    .values({ companyId: actor.companyId, source: file.source, matching: [...matching], at: actor.now })
    .onConflictDoUpdate({
      target: [importMatching.companyId, importMatching.source],
      set: { matching: [...matching], at: actor.now },
    });
