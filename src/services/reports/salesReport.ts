import { and, desc, eq, gte, inArray, isNull, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { agreement, decline, item, proposal, revision, user } from '@/data/schema';
import type { ItemOffered, SentProposal, WinRow } from '@/core/insight';
import { groupFigures, offeredRows, winRows } from '@/core/insight';
import type { Amount } from '@/core/number';
import { minorDigits, parseAmount, writeAmount } from '@/core/number';
import { computeFigures } from '@/core/price';
import { plusDays } from '@/core/calendar';
import type { ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import type { Actor } from '../actor';
import { businessDate } from '../actor';
import { groupBy } from '@/core/collections/groupBy';
import { companyOf } from '@/data/settings/company';
import { stateToday } from '@/core/offer/stateToday';
import { chunks } from './chunks';

/** Proposals first sent from a day on, newest first, some at a time, each with its newest revision. Change orders are none. */
async function* sentSince(tx: Transaction, from: Date) {
  const first = await tx
    .select({
      proposalId: revision.proposalId,
      sentAt: sql<string>`min(${revision.sentAt})`,
      last: sql<number>`max(${revision.number})::int`,
    })
    .from(revision)
    .innerJoin(
      proposal,
      and(eq(proposal.companyId, revision.companyId), eq(proposal.id, revision.proposalId)),
    )
    .where(isNull(proposal.agreementId))
    .groupBy(revision.proposalId)
    .having(gte(sql`min(${revision.sentAt})`, from.toISOString()))
    .orderBy(desc(sql`min(${revision.sentAt})`));
  for (const some of chunks(first)) {
    const ids = some.map(({ proposalId }) => proposalId);
    const revisions = groupBy(
      await tx.select().from(revision).where(inArray(revision.proposalId, ids)),
      ({ proposalId }) => proposalId,
    );
    const proposals = await tx
      .select({ id: proposal.id, state: proposal.state, seller: user.name })
      .from(proposal)
      .innerJoin(user, and(eq(user.companyId, proposal.companyId), eq(user.id, proposal.sellerId)))
      .where(inArray(proposal.id, ids));
    const signed = await tx.select().from(agreement).where(inArray(agreement.proposalId, ids));
    const declined = await tx
      .select({ revisionId: decline.revisionId })
      .from(decline)
      .innerJoin(
        revision,
        and(eq(revision.companyId, decline.companyId), eq(revision.id, decline.revisionId)),
      )
      .where(inArray(revision.proposalId, ids));
    for (const { proposalId, sentAt, last } of some) {
      const agreed = signed.find((each) => each.proposalId === proposalId) ?? null;
      const newest = revisions
        .get(proposalId)!
        .find((each) => (agreed ? each.id === agreed.revisionId : each.number === last))!;
      yield {
        ...proposals.find(({ id }) => id === proposalId)!,
        sentAt: new Date(sentAt),
        agreed,
        declined: declined.some(({ revisionId }) => revisionId === newest.id),
        document: JSON.parse(newest.canonical) as ProposalDocument,
      };
    }
  }
}

const writeWin = (row: WinRow, digits: number) => ({
  ...row,
  offered: writeAmount(row.offered, digits),
  won: writeAmount(row.won, digits),
});

/** How proposals of the last so many days fared, by seller and trade, and which items were offered and used. */
export async function readSalesReport(actor: Actor, days: number) {
  return inCompany(actor.companyId, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const digits = minorDigits(ours.currency);
    const today = businessDate(actor.now, ours.timeZone);
    const items: ItemOffered[] = [];
    const facts: SentProposal[] = [];
    for await (const each of sentSince(tx, new Date(`${plusDays(today, -days)}T00:00:00Z`))) {
      const choices = each.agreed?.choices ?? asSuggested;
      const figures = computeFigures(each.document, choices);
      for (const { lines } of figures.sections)
        for (const { line, included, net } of lines)
          if (line.itemId !== undefined)
            items.push({
              itemId: line.itemId,
              proposalId: each.id,
              used: each.agreed !== null && included,
              net,
            });
      const [trade] = [...groupFigures(figures, 'trade')].sort((a, b) =>
        a.net < b.net ? 1 : a.net > b.net ? -1 : 0,
      );
      const state = stateToday(each.state, each.document.validUntil, today);
      facts.push({
        seller: each.seller,
        trade: trade?.name ?? '',
        sentOn: businessDate(each.sentAt, ours.timeZone),
        outcome: each.agreed
          ? 'signed'
          : each.declined || state === 'declined'
            ? 'declined'
            : state === 'lapsed' || state === 'withdrawn'
              ? state
              : 'open',
        signedOn: each.agreed ? businessDate(each.agreed.acceptedAt, ours.timeZone) : null,
        total: each.agreed ? parseAmount(each.agreed.total, digits) : figures.total,
      });
    }
    const rows = offeredRows(items);
    const named =
      rows.length === 0
        ? []
        : await namesOf(
            tx,
            rows.map(({ itemId }) => itemId),
          );
    const bySeller = winRows(facts, 'seller');
    return {
      currency: ours.currency,
      days,
      all: writeWin(bySeller.all, digits),
      sellers: bySeller.rows.map((row) => writeWin(row, digits)),
      trades: winRows(facts, 'trade').rows.map((row) => writeWin(row, digits)),
      items: rows.map(({ itemId, offered, used, sold }) => ({
        itemId,
        ...(named.find(({ id }) => id === itemId) ?? { code: '', name: 'no longer in the library' }),
        offered,
        used,
        sold: writeAmount(sold as Amount, digits),
      })),
    };
  });
}

export type SalesReport = Awaited<ReturnType<typeof readSalesReport>>;

async function namesOf(tx: Transaction, ids: readonly string[]) {
  const known = ids.filter((id) => /^[0-9a-f-]{36}$/.test(id));
  return known.length === 0
    ? []
    : tx.select({ id: item.id, code: item.code, name: item.name }).from(item).where(inArray(item.id, known));
}
