import { asc } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { user } from '../schema';

/** Who can have sold something, by name. */
export const sellersOf = (tx: Transaction) =>
  tx.select({ id: user.id, name: user.name }).from(user).orderBy(asc(user.name));
