import type { Transaction } from '../connection';
import { agreementPayment } from '../schema';

/** Stores one or several rows. */
export async function insertAgreementPayment(
  tx: Transaction,
  rows: typeof agreementPayment.$inferInsert | readonly (typeof agreementPayment.$inferInsert)[],
): Promise<void> {
  await tx.insert(agreementPayment).values([rows].flat());
}
