import type { Transaction } from '../connection';
import { approval, customerChoice, customerQuestion, link, proposal, revision } from '../schema';
import { agreementMoves } from '../agreements/mark';
import { and, eq, sql } from 'drizzle-orm';

/** A mark of everything the booklet of a proposal shows: another when any of it changed. */
export const findMarkOfProposal = async (tx: Transaction, proposalId: string) =>
  tx.execute<{ mark: string }>(sql`
      select md5(concat_ws(' ', p.state,
        (select max(r.number) from revision r where r.proposal_id = p.id),
        (select c.number from customer_choice c join revision r on r.company_id = c.company_id and r.id = c.revision_id
          where r.proposal_id = p.id order by r.number desc limit 1),
        (select count(*) || ' ' || count(q.answer) from customer_question q where q.proposal_id = p.id),
        (select concat_ws(' ', ${agreementMoves},
            (select count(*) || ' ' || max(x.updated_at) from proposal x where x.agreement_id = a.id and x.state <> 'draft'))
          from agreement a left join agreement_money m on m.company_id = a.company_id and m.agreement_id = a.id
          where a.proposal_id = p.id or a.id = p.agreement_id))) as mark
      from proposal p where p.id = ${proposalId}`);

/** Marks of what stands beside the document of a proposal: other ones when it changed. */
export const findMarksBeside = async (tx: Transaction, of: string) =>
  tx
    .select({
      revisions: sql`(select count(*) from ${revision} where ${eq(revision.proposalId, of)})`,
      links: sql`(select jsonb_agg(jsonb_build_array(${link.id}, ${link.revokedAt}, ${link.lastOpenedAt}) order by ${link.id}) from ${link} where ${eq(link.proposalId, of)})`,
      questions: sql`(select jsonb_agg(jsonb_build_array(${customerQuestion.id}, ${customerQuestion.answeredAt}) order by ${customerQuestion.id}) from ${customerQuestion} where ${eq(customerQuestion.proposalId, of)})`,
      approvals: sql`(select jsonb_agg(jsonb_build_array(${approval.id}, ${approval.verdict}) order by ${approval.id}) from ${approval} where ${eq(approval.proposalId, of)})`,
      picks: sql`(select max(${customerChoice.updatedAt}) from ${customerChoice} join ${revision} on ${and(eq(revision.companyId, customerChoice.companyId), eq(revision.id, customerChoice.revisionId))} where ${eq(revision.proposalId, of)})`,
    })
    .from(proposal)
    .where(eq(proposal.id, of));
