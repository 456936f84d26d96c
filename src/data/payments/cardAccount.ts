import type { Transaction } from '../connection';
import { cardAccount } from '../schema';

/** Makes the company’s account with the card service, unless it is there. */
export const insertCardAccountOnce = async (tx: Transaction, companyId: string) =>
  tx.insert(cardAccount).values({ companyId }).onConflictDoNothing();

/** The company’s account with the card service. */
export const findCardAccount = async (tx: Transaction) => tx.select().from(cardAccount);
