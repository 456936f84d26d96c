import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { ItemOffered, SentProposal, WinRow } from '@/core/insight';
import { mainTrade, offeredRows, winRows } from '@/core/insight';
import type { Amount } from '@/core/number';
import { minorDigits, parseAmount, writeAmount } from '@/core/number';
import { computeFigures } from '@/core/price';
import { plusDays } from '@/core/calendar';
import type { ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate } from '../actor';
import { groupBy } from '@/core/collections/groupBy';
import { companyOf } from '@/data/settings/company';
import { stateToday } from '@/core/offer/stateToday';
import { chunks } from './chunks';
import { findSentSince, findRevisionsOf } from '@/data/proposals/revision';
import { findStates } from '@/data/proposals/proposal';
import { findAgreementsOfProposals } from '@/data/agreements/agreement';
import { findDeclines } from '@/data/proposals/decline';
import { findItemNames } from '@/data/library/item';

/** Proposals first sent from a day on, newest first, some at a time, each with its newest revision. Change orders are none. */
async function* sentSince(tx: Transaction, from: Date) {
  const first = await findSentSince(tx, from);
  for (const some of chunks(first)) {
    const ids = some.map(({ proposalId }) => proposalId);
    const revisions = groupBy(await findRevisionsOf(tx, ids), ({ proposalId }) => proposalId);
    const proposals = await findStates(tx, ids);
    const signed = await findAgreementsOfProposals(tx, ids);
    const declined = await findDeclines(tx, ids);
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
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
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
      const state = stateToday(each.state, each.document.validUntil, today);
      facts.push({
        seller: each.seller,
        trade: mainTrade(figures),
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
  return known.length === 0 ? [] : findItemNames(tx, known);
}
