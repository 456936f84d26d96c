import type { Transaction } from '../connection';
import { agreementPaymentChange } from '../schema';

/** Stores one or several rows. */
export async function insertAgreementPaymentChange(
  tx: Transaction,
  rows: typeof agreementPaymentChange.$inferInsert | readonly (typeof agreementPaymentChange.$inferInsert)[],
): Promise<void> {
  await tx.insert(agreementPaymentChange).values([rows].flat());
}
