import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

/** What is still being worked on: drafts, offers that are out, and what was accepted. */
const open = sql`state in ('draft', 'sent', 'accepted')`;

/** How much each of the company sells: what is open, and all of it. */
export const countWork = async (tx: Transaction) =>
  (
    await tx.execute<{ sellerId: string; open: number; all: number }>(
      sql`select seller_id as "sellerId", (count(*) filter (where ${open}))::int as open, count(*)::int as "all"
          from proposal group by seller_id`,
    )
  ).rows;

/** Gives the proposals of one seller to another; returns which. */
export const handOverProposals = async (
  tx: Transaction,
  from: string,
  to: string,
  scope: 'open' | 'all',
): Promise<{ id: string }[]> =>
  (
    await tx.execute<{ id: string }>(
      sql`update proposal set seller_id = ${to} where seller_id = ${from} ${scope === 'open' ? sql`and ${open}` : sql``}
          returning id`,
    )
  ).rows;
