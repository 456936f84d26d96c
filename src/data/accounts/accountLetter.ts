import type { Transaction } from '../connection';
import { accountLetter } from '../schema';

/** Keeps a letter about somebody's way in; the server cannot read it back. */
export async function insertAccountLetter(
  tx: Transaction,
  values: typeof accountLetter.$inferInsert,
): Promise<void> {
  await tx.insert(accountLetter).values(values);
}
