import type { Transaction } from '../connection';
import { agreementTax } from '../schema';

/** Stores one or several rows. */
export async function insertAgreementTax(
  tx: Transaction,
  rows: typeof agreementTax.$inferInsert | readonly (typeof agreementTax.$inferInsert)[],
): Promise<void> {
  await tx.insert(agreementTax).values([rows].flat());
}
