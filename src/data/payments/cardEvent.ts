import type { Transaction } from '../connection';
import { cardEvent } from '../schema';
import type { CardFact } from '@/core/billing';

/** Keeps what the card service said of a charge; nothing where it was said before. */
export const insertCardEventOnce = async (
  tx: Transaction,
  who: { readonly companyId: string; readonly now: Date },
  id: string,
  fact: Omit<CardFact, 'at'> & { readonly at: Date },
) =>
  tx
    .insert(cardEvent)
    .values({ companyId: who.companyId, chargeId: id, ...fact, receivedAt: who.now })
    .onConflictDoNothing();
