import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

/** How many of the newest letters are told. */
const TOLD = 5;

/** How an agreement came about: who sold it, who wrote last, and what was sent to whom. */
export interface AgreementStory {
  readonly seller: string;
  /** The last change of the proposal or a change order of it; null where nothing was changed since it was begun. */
  readonly changed: { readonly by: string; readonly at: string; readonly title: string } | null;
  /** The newest letters about it, at most five. */
  readonly sent: readonly {
    readonly id: string;
    readonly to: string;
    readonly subject: string;
    readonly at: string;
    readonly trouble: 'came back' | 'not sent' | null;
  }[];
  /** How many letters there are. */
  readonly letters: number;
}

/** Reads how an agreement came about, from its proposal and the change orders of it. */
export async function storyOf(
  tx: Transaction,
  { id, proposalId }: { readonly id: string; readonly proposalId: string },
): Promise<AgreementStory> {
  const its = sql`(select id from proposal where id = ${proposalId} or agreement_id = ${id})`;
  const sellers = await tx.execute<{ name: string }>(sql`
    select u.name from proposal p join app_user u on u.company_id = p.company_id and u.id = p.seller_id
    where p.id = ${proposalId}`);
  const changes = await tx.execute<{ by: string; at: Date | string; title: string }>(sql`
    select u.name as by, e.at, p.title from proposal_edit e
      join proposal p on p.company_id = e.company_id and p.id = e.proposal_id
      join app_user u on u.company_id = e.company_id and u.id = e.user_id
    where e.proposal_id in ${its} order by e.at desc, e.save_number desc limit 1`);
  const letters = await tx.execute<{
    id: string;
    to: string;
    subject: string;
    at: Date | string;
    trouble: 'came back' | 'not sent' | null;
    all: number;
  }>(sql`
    select id, to_address as "to", subject, at, case state when 'returned' then 'came back' when 'failed' then 'not sent' end as trouble, count(*) over ()::int as "all"
    from message where proposal_id in ${its} order by at desc, id desc limit ${TOLD}`);
  const iso = (at: Date | string) => new Date(at).toISOString();
  const [last] = changes.rows;
  return {
    seller: sellers.rows[0]?.name ?? '',
    changed: last ? { by: last.by, at: iso(last.at), title: last.title } : null,
    sent: letters.rows.map(({ all: _, at, ...letter }) => ({ ...letter, at: iso(at) })),
    letters: letters.rows[0]?.all ?? 0,
  };
}
