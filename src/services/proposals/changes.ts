import canonicalize from 'canonicalize';
import { and, asc, eq, gt, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import {
  approval,
  customerChoice,
  customerQuestion,
  link,
  proposal,
  proposalEdit,
  revision,
  user,
} from '@/data/schema';
import type { JsonPatchStep } from '@/core/editing';
import type { ProposalDocument } from '@/model';
import type { Actor } from '../actor';
import { checkId } from '../check';
import { Problem } from '../problem';
import { sha256 } from '../secrets';

/** Edits others made since a save, by whom, in their order. */
export const editsSince = (tx: Transaction, proposalId: string, saveNumber: number) =>
  tx
    .select({
      saveNumber: proposalEdit.saveNumber,
      patches: proposalEdit.patches,
      userId: user.id,
      by: user.name,
    })
    .from(proposalEdit)
    .innerJoin(user, and(eq(user.companyId, proposalEdit.companyId), eq(user.id, proposalEdit.userId)))
    .where(and(eq(proposalEdit.proposalId, proposalId), gt(proposalEdit.saveNumber, saveNumber)))
    .orderBy(asc(proposalEdit.saveNumber));

/** A mark that differs when anything about the proposal but its text did: sent, opened, chosen, asked, approved, decided. */
async function markOf(tx: Transaction, row: typeof proposal.$inferSelect): Promise<string> {
  const of = row.id;
  const [facts] = await tx
    .select({
      revisions: sql`(select count(*) from ${revision} where ${eq(revision.proposalId, of)})`,
      links: sql`(select jsonb_agg(jsonb_build_array(${link.id}, ${link.revokedAt}, ${link.lastOpenedAt}) order by ${link.id}) from ${link} where ${eq(link.proposalId, of)})`,
      questions: sql`(select jsonb_agg(jsonb_build_array(${customerQuestion.id}, ${customerQuestion.answeredAt}) order by ${customerQuestion.id}) from ${customerQuestion} where ${eq(customerQuestion.proposalId, of)})`,
      approvals: sql`(select jsonb_agg(jsonb_build_array(${approval.id}, ${approval.verdict}) order by ${approval.id}) from ${approval} where ${eq(approval.proposalId, of)})`,
      picks: sql`(select max(${customerChoice.updatedAt}) from ${customerChoice} join ${revision} on ${and(eq(revision.companyId, customerChoice.companyId), eq(revision.id, customerChoice.revisionId))} where ${eq(revision.proposalId, of)})`,
    })
    .from(proposal)
    .where(eq(proposal.id, of));
  return sha256(
    canonicalize({ ...facts, state: row.state, sent: row.sentSaveNumber, seller: row.sellerId })!,
  );
}

export interface ChangesSince {
  readonly mark: string;
  /** Null: the document is as the save asked about. */
  readonly missed: {
    readonly saveNumber: number;
    readonly document: ProposalDocument;
    readonly patches: readonly JsonPatchStep[];
  } | null;
}

/** What happened to a proposal since a save that an open page last saw. */
export async function changesSince(actor: Actor, id: string, saveNumber: number): Promise<ChangesSince> {
  const proposalId = checkId(id, 'There is no such proposal.');
  if (!Number.isInteger(saveNumber) || saveNumber < 0 || saveNumber > 2 ** 31 - 1)
    throw new Problem(400, 'Say since which save: ?since=12.');
  return inCompany(actor.companyId, async (tx) => {
    const [row] = await tx.select().from(proposal).where(eq(proposal.id, proposalId));
    if (!row) throw new Problem(404, 'There is no such proposal.');
    const mark = await markOf(tx, row);
    if (row.saveNumber <= saveNumber) return { mark, missed: null };
    const edits = await editsSince(tx, proposalId, saveNumber);
    return {
      mark,
      missed: {
        saveNumber: row.saveNumber,
        document: row.document,
        patches: edits.flatMap((edit) => edit.patches as JsonPatchStep[]),
      },
    };
  });
}
