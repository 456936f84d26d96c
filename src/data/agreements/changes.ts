import { and, desc, eq, sql } from 'drizzle-orm';
import type { LoadedAgreement } from '@/core/billing';
import { businessDate, plusDays } from '@/core/calendar';
import { stateToday, suggestedTotal } from '@/core/offer';
import type { Line, ProposalDocument } from '@/model';
import { recordAudit } from '../history/recordAudit';
import type { Transaction } from '../connection';
import { newId } from '../newId';
import { changeOrder, proposal, revision } from '../schema';
import { companyOf } from '../settings/company';

/** Who makes a change order, and when. */
interface Maker {
  readonly companyId: string;
  readonly userId: string;
  readonly now: Date;
}

/**
 * An empty change order: priced, taxed and shown as the agreement was, measured on the same spaces and plans, with nothing
 * in it yet.
 */
function emptyChange(
  {
    reckoning,
    loads,
    taxClasses,
    tax,
    area,
    measuring,
    measures,
    plans,
    shows,
    currency,
    terms,
  }: ProposalDocument,
  change: NonNullable<ProposalDocument['change']>,
  title: string,
  lines: readonly Line[],
): ProposalDocument {
  return {
    format: 'impegno-proposal',
    formatVersion: 1,
    ...(reckoning ? { reckoning } : {}),
    title,
    currency,
    shows: shows === 'total' ? 'lines' : shows,
    ...(terms === undefined ? {} : { terms }),
    ...(area ? { area } : {}),
    ...(measuring ? { measuring } : {}),
    ...(measures ? { measures } : {}),
    // Plans can be measured on; to the customer they were shown with the agreement.
    ...(plans ? { plans: plans.map(({ shown: _, ...plan }) => plan) } : {}),
    sections: [{ id: 'changes', title: 'Changes', entries: [...lines] }],
    loads,
    fees: [],
    taxClasses,
    ...(tax ? { tax } : {}),
    schedule: [],
    change,
  };
}

/** Makes a change order to an agreement, with lines in it. Locks the agreement. */
export async function insertChange(
  tx: Transaction,
  actor: Maker,
  loaded: LoadedAgreement,
  what: string,
  lines: readonly Line[],
): Promise<{ id: string; number: number }> {
  const { head } = loaded;
  const [first] = await tx
    .select({ canonical: revision.canonical })
    .from(revision)
    .where(eq(revision.id, head.revisionId));
  const [last] = await tx
    .select({ number: sql<number>`coalesce(max(${proposal.number}), 0)::int` })
    .from(proposal)
    .where(eq(proposal.agreementId, head.id));
  const number = last!.number + 1;
  const ours = await companyOf(tx, actor.companyId);
  const document: ProposalDocument = {
    ...emptyChange(
      JSON.parse(first!.canonical) as ProposalDocument,
      { agreement: head.number, number, spread: 'spread' },
      `Change order ${number}: ${what}`.slice(0, 200),
      lines,
    ),
    validUntil: plusDays(businessDate(actor.now, ours.timeZone), ours.validityDays),
  };
  const id = newId(actor.now);
  await tx.insert(proposal).values({
    companyId: actor.companyId,
    id,
    number,
    agreementId: head.id,
    customerId: head.customerId,
    siteId: head.siteId,
    sellerId: actor.userId,
    title: document.title,
    state: 'draft',
    document,
    saveNumber: 0,
    total: suggestedTotal(document),
    createdAt: actor.now,
    updatedAt: actor.now,
  });
  await recordAudit(tx, actor, 'change order started', head.id, { proposalId: id, number });
  return { id, number };
}

/** The change orders of an agreement in order, signed and not, as the desk sees them. */
export async function changesOf(tx: Transaction, agreementId: string, today: string) {
  const rows = await tx
    .select({ proposal, signedAt: changeOrder.acceptedAt, signedTotal: changeOrder.total })
    .from(proposal)
    .leftJoin(
      changeOrder,
      and(eq(changeOrder.companyId, proposal.companyId), eq(changeOrder.proposalId, proposal.id)),
    )
    .where(eq(proposal.agreementId, agreementId))
    .orderBy(desc(proposal.number));
  return rows.reverse().map(({ proposal: row, signedAt, signedTotal }) => ({
    id: row.id,
    number: row.number,
    title: row.title,
    state: stateToday(row.state, row.document.validUntil, today),
    total: signedTotal ?? row.total,
    sent: row.sentSaveNumber !== null,
    signedAt: signedAt?.toISOString() ?? null,
  }));
}

export type ChangeAtDesk = Awaited<ReturnType<typeof changesOf>>[number];
