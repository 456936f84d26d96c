import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { customer, proposal, site, user } from '../schema';
import { addressText, hasWords } from '../words';

/** Proposals with customer, site and the name of the seller. */
const joined = (tx: Transaction) =>
  tx
    .select({ proposal, customer, site, seller: user.name })
    .from(proposal)
    .innerJoin(
      customer,
      and(eq(customer.companyId, proposal.companyId), eq(customer.id, proposal.customerId)),
    )
    .innerJoin(site, and(eq(site.companyId, proposal.companyId), eq(site.id, proposal.siteId)))
    .innerJoin(user, and(eq(user.companyId, proposal.companyId), eq(user.id, proposal.sellerId)));

/** The proposals changed last; change orders only where they are asked for too. */
export const findProposalsWithCustomer = async (
  tx: Transaction,
  { changes, most }: { readonly changes: boolean; readonly most: number },
) =>
  joined(tx)
    .where(changes ? undefined : isNull(proposal.agreementId))
    .orderBy(desc(proposal.updatedAt))
    .limit(most);

/**
 * Proposals and change orders that are with the customer (their prices hold) or in work, changed last first. What a sent one
 * has lapsed by is the core’s (`stateToday`), repeated here so that lapsed ones take nobody’s place.
 */
export const findProposalsAtHand = async (
  tx: Transaction,
  { state, today, most }: { readonly state: 'sent' | 'draft'; readonly today: string; readonly most: number },
) =>
  joined(tx)
    .where(
      and(
        eq(proposal.state, state),
        state === 'sent'
          ? sql`(${proposal.validUntil} is null or ${proposal.validUntil} >= ${today})`
          : undefined,
      ),
    )
    .orderBy(desc(proposal.updatedAt), desc(proposal.id))
    .limit(most);

/** Proposals (no change orders) with all the words, those changed last first; or the one of an id. */
export const findProposalsLike = async (
  tx: Transaction,
  { words, id, most }: { readonly words: string; readonly id?: string | undefined; readonly most: number },
) =>
  joined(tx)
    .where(
      and(
        isNull(proposal.agreementId),
        id === undefined
          ? hasWords(
              words,
              sql`${proposal.number}::text`,
              proposal.title,
              customer.name,
              addressText(site.address),
            )
          : eq(proposal.id, id),
      ),
    )
    .orderBy(desc(proposal.updatedAt), desc(proposal.id))
    .limit(most);

/** A proposal with customer, site and seller. */
export const findProposalWithCustomer = async (tx: Transaction, id: string) =>
  joined(tx).where(eq(proposal.id, id));
