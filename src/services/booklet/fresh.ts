import { sql } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { agreementMoves } from '../agreements/fresh';
import type { Booklet, Visitor } from './open';
import { currentRevision, readBooklet } from './open';

/**
 * A mark of everything a booklet shows that can change while it lies open: when it is another, the booklet is read again.
 * One short question to the database, asked by every open booklet every few seconds.
 */
export async function bookletMark(visitor: Visitor): Promise<string> {
  return inCompany(visitor.companyId, async (tx) => {
    const { rows } = await tx.execute<{ mark: string }>(sql`
      select md5(concat_ws(' ', p.state,
        (select max(r.number) from revision r where r.proposal_id = p.id),
        (select c.number from customer_choice c join revision r on r.company_id = c.company_id and r.id = c.revision_id
          where r.proposal_id = p.id order by r.number desc limit 1),
        (select count(*) || ' ' || count(q.answer) from customer_question q where q.proposal_id = p.id),
        (select concat_ws(' ', ${agreementMoves},
            (select count(*) || ' ' || max(x.updated_at) from proposal x where x.agreement_id = a.id and x.state <> 'draft'))
          from agreement a left join agreement_money m on m.company_id = a.company_id and m.agreement_id = a.id
          where a.proposal_id = p.id or a.id = p.agreement_id))) as mark
      from proposal p where p.id = ${visitor.proposalId}`);
    return rows[0]?.mark ?? '';
  });
}

/** The booklet as it is now, where it is another than the mark says; null where nothing has changed. */
export async function bookletSince(
  visitor: Visitor,
  mark: string,
): Promise<{ mark: string; booklet: Booklet | null }> {
  const now = await bookletMark(visitor);
  if (now === mark) return { mark, booklet: null };
  const booklet = await inCompany(visitor.companyId, async (tx) =>
    readBooklet(tx, await currentRevision(tx, visitor)),
  );
  return { mark: now, booklet };
}
