import { eq, notExists, and, sql } from 'drizzle-orm';
import type { ProposalDocument } from '@/model';
import type { Transaction } from '../connection';
import { agreement, proposal, revision } from '../schema';

const unsigned = (tx: Transaction) =>
  notExists(
    tx
      .select({ one: sql`1` })
      .from(agreement)
      .where(eq(agreement.proposalId, proposal.id)),
  );

/** The revisions of a customer's proposals that nobody signed. */
export const findRevisionsOfCustomer = async (tx: Transaction, customerId: string) =>
  tx
    .select({ id: revision.id, canonical: revision.canonical })
    .from(revision)
    .innerJoin(
      proposal,
      and(eq(proposal.companyId, revision.companyId), eq(proposal.id, revision.proposalId)),
    )
    .where(and(eq(proposal.customerId, customerId), unsigned(tx)));

/** The proposals of a customer that nobody signed, with their documents. */
export const findUnsignedOf = async (tx: Transaction, customerId: string) =>
  tx
    .select({ id: proposal.id, document: proposal.document })
    .from(proposal)
    .where(and(eq(proposal.customerId, customerId), unsigned(tx)));

/** Removes what is known of a customer as a person. */
export async function forgetCustomerRow(
  tx: Transaction,
  {
    id,
    called,
    title,
    documents,
    frozen,
    at,
  }: {
    readonly id: string;
    /** What they are called from then on. */
    readonly called: string;
    /** What their offers are called. */
    readonly title: string;
    readonly documents: readonly { readonly id: string; readonly document: ProposalDocument }[];
    readonly frozen: readonly { readonly id: string; readonly canonical: string; readonly sha256: string }[];
    readonly at: Date;
  },
): Promise<void> {
  await tx.execute(
    sql`select forget_customer(${id}::uuid, ${called}, ${title}, ${JSON.stringify(documents)}::jsonb, ${JSON.stringify(frozen)}::jsonb, ${at.toISOString()}::timestamptz)`,
  );
}
