import type { Transaction } from '../connection';
import { customerOfAgreement } from '../joins';
import { agreement, customer, proposal, revision, site, user } from '../schema';
import { and, desc, eq, inArray, sql } from 'drizzle-orm';

/** One row by its id, or none. */
export const agreementById = async (
  tx: Transaction,
  id: string,
): Promise<(typeof agreement.$inferSelect)[]> => tx.select().from(agreement).where(eq(agreement.id, id));

/** Rows by their proposal. */
export const agreementByProposalId = async (
  tx: Transaction,
  proposalId: string,
): Promise<(typeof agreement.$inferSelect)[]> =>
  tx.select().from(agreement).where(eq(agreement.proposalId, proposalId));

/** Stores one or several rows. */
export async function insertAgreementRow(
  tx: Transaction,
  rows: typeof agreement.$inferInsert | readonly (typeof agreement.$inferInsert)[],
): Promise<void> {
  await tx.insert(agreement).values([rows].flat());
}

/** Number, title and customer of some agreements. */
export const findTitlesOfAgreements = async (tx: Transaction, ids: readonly string[]) =>
  tx
    .select({ id: agreement.id, number: agreement.number, title: agreement.title, customer: customer.name })
    .from(agreement)
    .innerJoin(customer, customerOfAgreement)
    .where(inArray(agreement.id, [...ids]));

/** What was signed with an agreement, and its seal. */
export const findTextOfAgreement = async (tx: Transaction, agreementId: string) =>
  tx
    .select({ canonical: revision.canonical, sha256: revision.sha256 })
    .from(agreement)
    .innerJoin(revision, eq(revision.id, agreement.revisionId))
    .where(eq(agreement.id, agreementId));

/** The agreements of a customer, the newest first. */
export const findAgreementIdsOf = async (tx: Transaction, customerId: string) =>
  tx
    .select({ id: agreement.id })
    .from(agreement)
    .where(eq(agreement.customerId, customerId))
    .orderBy(desc(agreement.number));

/** All agreements with customer and day of signing, the newest first. */
export const findAgreementsSigned = async (tx: Transaction) =>
  tx
    .select({ id: agreement.id, customer: customer.name, acceptedAt: agreement.acceptedAt })
    .from(agreement)
    .innerJoin(customer, customerOfAgreement)
    .orderBy(desc(agreement.number));

/** Every agreement with whose it is and where, the newest first. */
export const findReportedAgreements = async (tx: Transaction) =>
  tx
    .select({
      id: agreement.id,
      acceptedAt: agreement.acceptedAt,
      customerId: agreement.customerId,
      customer: customer.name,
      sellerId: proposal.sellerId,
      seller: user.name,
      place: sql<string>`coalesce(${site.address}->>'city', '')`,
    })
    .from(agreement)
    .innerJoin(customer, customerOfAgreement)
    .innerJoin(site, and(eq(site.companyId, agreement.companyId), eq(site.id, agreement.siteId)))
    .leftJoin(
      proposal,
      and(eq(proposal.companyId, agreement.companyId), eq(proposal.id, agreement.proposalId)),
    )
    .leftJoin(user, and(eq(user.companyId, agreement.companyId), eq(user.id, proposal.sellerId)))
    .orderBy(desc(agreement.number));

/** What some agreements were signed on, and what was chosen of it. */
export const findSignedDocuments = async (tx: Transaction, ids: string[]) =>
  tx
    .select({ id: agreement.id, canonical: revision.canonical, choices: agreement.choices })
    .from(agreement)
    .innerJoin(
      revision,
      and(eq(revision.companyId, agreement.companyId), eq(revision.id, agreement.revisionId)),
    )
    .where(inArray(agreement.id, ids));

/** The agreements that some proposals became. */
export const findAgreementsOfProposals = async (tx: Transaction, ids: string[]) =>
  tx.select().from(agreement).where(inArray(agreement.proposalId, ids));
