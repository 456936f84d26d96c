import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { accountLetter } from '../schema';

type State = (typeof accountLetter.$inferSelect)['state'];

/** Keeps a letter about somebody's way in; the server reads it back only while it waits for its carrier. */
export async function insertAccountLetter(
  tx: Transaction,
  values: typeof accountLetter.$inferInsert,
): Promise<void> {
  await tx.insert(accountLetter).values(values);
}

/** A letter that waits for its carrier, held until the transaction ends. */
export const holdWaitingAccountLetter = async (tx: Transaction, id: string) =>
  (
    await tx.execute<{ to: string; subject: string; sealed: string }>(
      sql`select to_address as "to", subject, sealed from waiting_account_letter(${id})`,
    )
  ).rows;

/** Notes what became of a letter. @returns whether there was one that this could become of */
export const noteAccountLetter = async (
  tx: Transaction,
  id: string,
  { state, note, tries }: { readonly state: State; readonly note: string; readonly tries: number },
): Promise<boolean> =>
  (
    await tx.execute<{ done: boolean | null }>(
      sql`select note_account_letter(${id}, ${state}, ${note}, ${tries}) as done`,
    )
  ).rows[0]?.done === true;
