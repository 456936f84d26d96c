import { contractOf } from '@/core/billing';
import { taxesOn } from '@/core/editing';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { PriceLimits } from '@/model';
import { whoGets } from '@/core/text/recipients';
import { peopleOf } from '@/data/customers/people';
import type { Actor } from '../actor';
import { allow, businessDate, may, senderOf } from '../actor';
import { agreedForChange } from '@/data/agreements/contract';
import { noticeOf } from '@/data/customers/customerNotice';
import type { LoadedAgreement } from '@/core/billing';
import { loadAgreement } from '@/data/agreements/load';
import { companyOf } from '@/data/settings/company';
import { noSuch } from '../problem';
import { approvalsOf } from './approval';
import { decidedOf, picksOf } from './preset';
import { questionsAsked } from '@/data/proposals/questions';
import { sha256 } from '../secrets';
import { documentFor, pricesFor } from './withoutCost';
import { movedItems } from './reuse';
import { stateToday } from '@/core/offer/stateToday';
import { findOpenings, findLinks } from '@/data/proposals/link';
import { findRevisions } from '@/data/proposals/revision';
import { agreementByProposalId } from '@/data/agreements/agreement';
import { declineByRevisionId } from '@/data/proposals/decline';
import {
  findProposalWithCustomer,
  findProposalsAtHand,
  findProposalsWithCustomer,
} from '@/data/proposals/withCustomer';
import { cutOffer } from '../offered';

type Found = Awaited<ReturnType<typeof findProposalsWithCustomer>>;

/** Proposals as the desk lists them: with the state they are in today and when the customer opened them last. */
async function proposalRows(tx: Transaction, actor: Actor, timeZone: string, rows: Found) {
  const today = businessDate(actor.now, timeZone);
  const latest = new Map<string, Date>();
  for (const { proposalId, at } of await findOpenings(tx)) {
    const known = latest.get(proposalId);
    if (at && (!known || known < at)) latest.set(proposalId, at);
  }
  const dateOf = (at: Date | undefined) => (at ? businessDate(at, timeZone) : null);
  return rows.map(({ proposal: row, customer: payer, site: place, seller }) => ({
    id: row.id,
    number: row.number,
    title: row.title,
    state: stateToday(row.state, row.document.validUntil, today),
    total: row.total,
    customerId: payer.id,
    customer: payer.name,
    site: `${place.address.street}, ${place.address.city}`,
    seller,
    validUntil: row.document.validUntil ?? null,
    changedOn: businessDate(row.updatedAt, timeZone),
    openedOn: dateOf(latest.get(row.id)),
    unsentChanges: row.state === 'sent' && row.sentSaveNumber !== row.saveNumber,
  }));
}

/** The proposals touched last, at most 500; change orders only where they are asked for too. */
export async function listProposals(actor: Actor, { changes = false } = {}) {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const { timeZone } = await companyOf(tx, actor.companyId);
    return proposalRows(tx, actor, timeZone, await findProposalsWithCustomer(tx, { changes, most: 500 }));
  });
}

/** How many proposals of a kind stand on the first page; the list has the rest. */
const AT_HAND = 50;

/** What is with customers and what is in work, changed last first; `more`: the list has others. */
export async function proposalsAtHand(actor: Actor) {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const { timeZone } = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, timeZone);
    const of = async (state: 'sent' | 'draft') => {
      const { found, more } = cutOffer(
        await findProposalsAtHand(tx, { state, today, most: AT_HAND + 1 }),
        AT_HAND,
      );
      return { rows: await proposalRows(tx, actor, timeZone, found as Found), more };
    };
    return { waiting: await of('sent'), drafts: await of('draft') };
  });
}

export type ProposalRow = Awaited<ReturnType<typeof listProposals>>[number];

/** The lines of an agreement a change order can leave out, with what they cost for who may see it. */
async function agreedFor(tx: Transaction, actor: Actor, behind: LoadedAgreement) {
  const agreed = await agreedForChange(tx, behind);
  return may(actor, 'cost') ? agreed : agreed.map((line) => ({ ...line, costs: [] }));
}

/** The limits a page can look at by itself: floors of margin need the costs. */
const limitsFor = (actor: Actor, limits: PriceLimits): PriceLimits =>
  may(actor, 'cost') ? limits : limits.discount === undefined ? {} : { discount: limits.discount };

/**
 * One proposal with everything the desk needs to work on it.
 * @throws Problem `no-such-proposal`
 */
export async function readProposal(actor: Actor, proposalId: string) {
  allow(actor, 'prices');
  const costs = may(actor, 'cost');
  return inCompany(actor, async (tx) => {
    const [found] = await findProposalWithCustomer(tx, proposalId);
    if (!found) throw noSuch('proposal');
    const ours = await companyOf(tx, actor.companyId);
    const revisions = await findRevisions(tx, proposalId);
    const links = await findLinks(tx, proposalId);
    const [signed] = await agreementByProposalId(tx, proposalId);
    const [declined] = revisions[0] ? await declineByRevisionId(tx, revisions[0].id) : [undefined];
    const { proposal: row, customer: payer, site: place, seller } = found;
    const today = businessDate(actor.now, ours.timeZone);
    const decided = await decidedOf(tx, proposalId);
    const behind = row.agreementId ? await loadAgreement(tx, row.agreementId) : null;
    return {
      id: row.id,
      number: row.number,
      state: stateToday(row.state, row.document.validUntil, today),
      document: documentFor(row.document, actor),
      /** The unit prices of its lines, where the document comes without its costs. */
      prices: pricesFor(row.document, actor),
      saveNumber: row.saveNumber,
      sentSaveNumber: row.sentSaveNumber,
      seller,
      company: ours.name,
      customer: {
        id: payer.id,
        name: payer.name,
        contactName: payer.contactName,
        /** Whom it is sent to. */
        sendsTo: whoGets(payer, await peopleOf(tx, payer.id), 'offers'),
        internalNote: payer.internalNote,
        notice: await noticeOf(tx, today, payer.id),
      },
      site: { line: `${place.address.street}, ${place.address.city}`, internalNote: place.internalNote },
      revisions: revisions.map(({ id, number, sentAt, sha256: seal, canonical }) => ({
        id,
        number,
        sentAt: sentAt.toISOString(),
        sha256: seal,
        /** What is stored is still what was sent. */
        intact: sha256(canonical) === seal,
      })),
      questions: await questionsAsked(tx, proposalId, ours.timeZone),
      links: links.map(({ id, createdAt, expiresAt, revokedAt, firstOpenedAt, lastOpenedAt }) => ({
        id,
        createdAt: createdAt.toISOString(),
        expiresAt: expiresAt.toISOString(),
        open: revokedAt === null && expiresAt > actor.now,
        firstOpenedAt: firstOpenedAt?.toISOString() ?? null,
        lastOpenedAt: lastOpenedAt?.toISOString() ?? null,
      })),
      agreement: signed ?? (behind ? { id: behind.head.id, number: behind.head.number } : null),
      /** Of a change order: the agreement as it stands, and its lines that can be left out or increased. */
      change:
        behind && may(actor, 'propose')
          ? { contract: contractOf(behind), agreed: await agreedFor(tx, actor, behind) }
          : null,
      approvals: may(actor, 'propose') ? await approvalsOf(tx, actor, proposalId) : [],
      limits: may(actor, 'propose') ? limitsFor(actor, ours.pricing.limits) : {},
      money: may(actor, 'propose') ? ours.money : { presets: [] },
      loadSets: may(actor, 'propose') && costs ? ours.pricing.loadSets : [],
      /** The taxes of the company as they are today; a change order keeps those of its agreement. */
      taxesNow: may(actor, 'propose') && !behind && !signed ? taxesOn(ours.usual.taxClasses, today) : [],
      sender: senderOf(actor),
      mayApprove: may(actor, 'approve'),
      today,
      picks: signed ? null : await picksOf(tx, decided),
      /** What a yes on the customer's behalf would be to. */
      decided:
        decided && stateToday(row.state, row.document.validUntil, today) === 'sent'
          ? {
              revisionId: decided.revisionId,
              revision: decided.revision,
              total: decided.total,
              words: decided.words,
              today,
            }
          : null,
      /** What the customer has chosen so far, and of what: a revision that is sent next keeps it where it can. */
      chosen: decided && !signed && decided.last ? { menu: decided.menu, choices: decided.choices } : null,
      declinedBecause: declined?.reason ?? null,
      mayEdit: may(actor, 'propose'),
      /** Library items whose costs moved since they were copied here, as they are now. */
      moved: may(actor, 'propose') && costs && !signed ? await movedItems(tx, row.document) : {},
    };
  });
}

export type ProposalAtDesk = Awaited<ReturnType<typeof readProposal>>;
