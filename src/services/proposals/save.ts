import { refuseWrong } from '../refuseWrong';
import canonicalize from 'canonicalize';
import type { Operation } from 'fast-json-patch';
import jsonPatch from 'fast-json-patch';
import { inCompany } from '@/data/connection';
import type { JsonPatchStep } from '@/core/editing';
import { filesOf, suggestedTotal } from '@/core/offer';
import { pricesMoved, pricesOf } from '@/core/price';
import type { PricesGiven, ProposalDocument } from '@/model';
import { ProposalDocument as DocumentSchema, SaveInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, daysAfter, may, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { companyOf } from '@/data/settings/company';
import { refuseUnknownFile } from '../files/keep';
import { noteUsed } from '../library/used';
import { noSuch, Problem } from '../problem';
import { editsSince } from './changes';
import { documentFor, missedFor, pricesFor, withItsCosts } from './withoutCost';
import { stateToday } from '@/core/offer/stateToday';
import { lockProposalById, updateProposal } from '@/data/proposals/proposal';
import { insertProposalEdit } from '@/data/proposals/proposalEdit';

/**
 * A document with RFC 6902 patches applied, checked as if it came whole. The steps are read strictly: a position is a whole
 * number without signs or leading zeros, inside its list, and nothing is replaced or removed that is not there.
 * @throws Problem `edit-does-not-fit`
 */
export function patched(document: ProposalDocument, patches: readonly JsonPatchStep[]): ProposalDocument {
  let after: unknown;
  try {
    // A document of its own: what does not fit leaves nothing behind.
    after = jsonPatch.applyPatch(document, patches as Operation[], true, false).newDocument;
  } catch {
    throw new Problem('edit-does-not-fit', 'This change does not fit the proposal.');
  }
  const checked = check(DocumentSchema, after, 'The proposal');
  refuseWrong(checked);
  return checked;
}

const same = (one: unknown, other: unknown) => canonicalize(one) === canonicalize(other);

/** What a save came to: its number, and only for who has no costs to price with, the unit prices that are new. */
export interface Saved {
  readonly saveNumber: number;
  readonly prices?: PricesGiven;
}

const savedAs = (saveNumber: number, prices: PricesGiven | null): Saved =>
  prices ? { saveNumber, prices } : { saveNumber };

const movedFor = (actor: Actor, before: ProposalDocument, after: ProposalDocument): PricesGiven | null =>
  may(actor, 'cost') ? null : pricesMoved(pricesOf(before), pricesOf(after));

/**
 * Saves edits against the save the desk last saw. One that comes too late changes nothing and is answered with the edits
 * made meanwhile, by whom, and the document as it is now.
 * @throws Problem `changed-meanwhile`, `no-such-proposal`, `proposal-closed`
 */
export async function saveProposal(actor: Actor, input: unknown): Promise<Saved> {
  allow(actor, 'propose');
  const { proposalId, saveNumber, patches } = check(SaveInput, input, 'The change');
  return inCompany(actor, async (tx) => {
    const [row] = await lockProposalById(tx, proposalId);
    if (!row) throw noSuch('proposal');
    if (row.saveNumber !== saveNumber) {
      const missed = await editsSince(tx, proposalId, saveNumber);
      // The same change asked again, as after an answer that was lost, is stored already.
      const own = missed[0];
      const stored = own?.userId === actor.userId && same(own.patches, patches);
      if (stored && missed.length === 1) return savedAs(row.saveNumber, pricesFor(row.document, actor));
      const theirs = stored ? missed.slice(1) : missed;
      const who = [...new Set(theirs.map(({ by }) => by))].join(' and ') || 'Someone';
      throw new Problem(
        'changed-meanwhile',
        `${who} changed this proposal meanwhile. Nothing of theirs or yours is lost.`,
        {
          context: {
            ...missedFor(
              row,
              theirs.flatMap((edit) => edit.patches as JsonPatchStep[]),
              actor,
            ),
            stored,
          },
        },
      );
    }
    if (row.state !== 'draft' && row.state !== 'sent')
      throw new Problem('proposal-closed', `This proposal is ${row.state}; it cannot be changed any more.`);

    const seen = documentFor(row.document, actor);
    const edited = patched(seen, patches);
    // Who sees no cost edits what they see; what it costs is put back.
    const { document, removed } =
      seen === row.document
        ? { document: edited, removed: null }
        : await withItsCosts(tx, row, edited, row.document);
    if (document !== edited) refuseWrong(document);
    refuseMoved(row.document, document);
    const known = new Set(filesOf(row.document));
    await refuseUnknownFile(
      tx,
      filesOf(document).filter((file) => !known.has(file)),
    );
    const next = row.saveNumber + 1;
    await updateProposal(tx, proposalId, {
      document,
      title: document.title,
      saveNumber: next,
      total: suggestedTotal(document),
      updatedAt: actor.now,
    });
    await noteUsed(tx, actor, row.document, document);
    await insertProposalEdit(tx, {
      companyId: actor.companyId,
      proposalId,
      saveNumber: next,
      patches,
      removed,
      userId: actor.userId,
      at: actor.now,
    });
    return savedAs(next, movedFor(actor, row.document, document));
  });
}

/**
 * A proposal stays a proposal, and a change order one to its agreement; how it is spread is free.
 * @throws Problem `change-order-moved`
 */
function refuseMoved(before: ProposalDocument, after: ProposalDocument): void {
  const of = ({ change }: ProposalDocument) => (change ? `${change.agreement}.${change.number}` : '');
  if (of(before) !== of(after))
    throw new Problem('change-order-moved', 'A change order stays with its agreement.');
}

/**
 * Takes up a proposal again that was declined, taken back or has lapsed: it is a draft once more, with everything that
 * was sent kept. The customer reads that a new revision is on its way. Prices hold for the company's usual days again.
 * @throws Problem `accepted-already`, `no-such-proposal`, `proposal-open`
 */
export async function reopenProposal(actor: Actor, id: unknown): Promise<void> {
  allow(actor, 'propose');
  const proposalId = checkId(id, 'proposal');
  await inCompany(actor, async (tx) => {
    const [row] = await lockProposalById(tx, proposalId);
    if (!row) throw noSuch('proposal');
    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    const state = stateToday(row.state, row.document.validUntil, today);
    if (state === 'accepted')
      throw new Problem('accepted-already', 'This is accepted: write a change order to change it.');
    if (state === 'draft' || state === 'sent')
      throw new Problem('proposal-open', `This proposal is ${state}: it is open.`);
    const validUntil = daysAfter(today, ours.validityDays);
    const lapsed = row.document.validUntil !== undefined && row.document.validUntil < today;
    const next = row.saveNumber + 1;
    await updateProposal(tx, proposalId, {
      state: 'draft',
      updatedAt: actor.now,
      ...(lapsed ? { document: { ...row.document, validUntil }, saveNumber: next } : {}),
    });
    if (lapsed)
      await insertProposalEdit(tx, {
        companyId: actor.companyId,
        proposalId,
        saveNumber: next,
        patches: [{ op: 'replace', path: '/validUntil', value: validUntil }],
        userId: actor.userId,
        at: actor.now,
      });
    await recordAudit(tx, actor, 'proposal reopened', proposalId, { from: state });
  });
}
