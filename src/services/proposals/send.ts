import canonicalize from 'canonicalize';
import { inCompany } from '@/data/connection';
import type { JsonPatchStep } from '@/core/editing';
import { checkDocument, customerView, pastDays } from '@/core/offer';
import { showDecimal } from '@/core/number';
import { joinAddresses, splitAddresses } from '@/core/text/recipients';
import { asSuggested, SendInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, newId, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { refuseOmissions } from '../agreements/bindChange';
import { loadAgreement } from '@/data/agreements/load';
import { refuseUnsettled } from '@/data/agreements/settling';
import { keptOn } from '@/data/proposals/choices';
import { companyOf } from '@/data/settings/company';
import { makeLink } from '../links';
import { postLetter } from '../post';
import { noSuch, Problem } from '../problem';
import { sha256 } from '../secrets';
import { refuseUnapproved } from './approval';
import { editsSince } from './changes';
import { missedFor } from './withoutCost';
import { refuseUnlawfulDeposit } from './depositLaw';
import { lockProposalById, updateProposal } from '@/data/proposals/proposal';
import { findNewestRevisionKey, insertRevision } from '@/data/proposals/revision';
import { recipientsOf } from '../customers/recipients';
import { siteById } from '@/data/customers/site';
import { updateLinksOf } from '@/data/proposals/link';

/**
 * Sends a proposal: freezes a revision (canonical JSON after RFC 8785 and its SHA-256), makes a private link and puts
 * the message in the post, all or nothing. Refused while something in the proposal has to be mended, or when the desk has not
 * seen the newest save. The token is for whoever runs this here; it does not leave the server.
 * @throws Problem `cannot-be-stored`, `changed-meanwhile`, `document-wrong`, `no-such-proposal`, `prices-expired`, `proposal-closed`
 */
export async function sendProposal(
  actor: Actor,
  input: unknown,
): Promise<{ revision: number; linkId: string; token: string; leaves: boolean }> {
  allow(actor, 'propose');
  const { proposalId, saveNumber, to, words } = check(SendInput, input, 'The message');
  return inCompany(actor, async (tx) => {
    const [row] = await lockProposalById(tx, proposalId);
    if (!row) throw noSuch('proposal');
    if (row.state !== 'draft' && row.state !== 'sent')
      throw new Problem('proposal-closed', `This proposal is ${row.state}; it cannot be sent.`);
    if (row.saveNumber !== saveNumber) {
      const missed = await editsSince(tx, proposalId, saveNumber);
      const who = [...new Set(missed.map(({ by }) => by))].join(' and ') || 'Someone';
      throw new Problem(
        'changed-meanwhile',
        `${who} changed this proposal a moment ago. You see it now as it is; look at it again, then send.`,
        {
          context: {
            missed: missedFor(
              row,
              missed.flatMap((edit) => edit.patches as JsonPatchStep[]),
              actor,
            ),
          },
        },
      );
    }

    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    const blocking = [
      ...checkDocument(row.document).filter(({ weight }) => weight !== 'look'),
      ...pastDays(row.document, today),
    ];
    if (blocking.length > 0)
      throw new Problem('document-wrong', blocking[0]!.message, {
        errors: blocking.map(({ partId, message: detail }) => ({ pointer: partId ?? '', detail })),
      });
    if (row.document.validUntil !== undefined && row.document.validUntil < today)
      throw new Problem(
        'prices-expired',
        'The day its prices hold until is over. Choose a later one under Wording.',
      );

    refuseUnlawfulDeposit(row.document, ours.money);
    await refuseUnapproved(tx, actor, row, ours.pricing);
    if (row.agreementId) {
      const loaded = await loadAgreement(tx, row.agreementId, { lock: true });
      await refuseOmissions(tx, loaded, row.document);
      await refuseUnsettled(tx, loaded, row.document);
    }

    const canonical = canonicalize(row.document);
    if (canonical === undefined)
      throw new Problem('cannot-be-stored', 'The proposal cannot be written as JSON.');
    const [last] = await findNewestRevisionKey(tx, proposalId);
    const number = (last?.number ?? 0) + 1;
    const revisionId = newId(actor.now);
    await insertRevision(tx, {
      companyId: actor.companyId,
      id: revisionId,
      proposalId,
      number,
      canonical,
      sha256: sha256(canonical),
      sentBy: actor.userId,
      sentAt: actor.now,
    });
    const link = await makeLink(tx, actor, proposalId, 'proposal');
    await updateProposal(tx, proposalId, {
      state: 'sent',
      sentSaveNumber: row.saveNumber,
      updatedAt: actor.now,
    });

    const whom = await recipientsOf(tx, row.customerId, 'offers');
    const addressed = joinAddresses(splitAddresses(to));
    const [place] = await siteById(tx, row.siteId);
    // What the customer chose before counts in the figure they read, as far as it is still offered.
    const kept = await keptOn(tx, { id: revisionId, proposalId, number }, row.document);
    const view = customerView(row.document, kept?.choices ?? asSuggested);
    const as = kept ? 'With what you chose' : 'As suggested';
    const { leaves } = await postLetter(tx, actor, {
      proposalId,
      kind: 'proposal',
      link,
      to: addressed,
      subject: row.document.change
        ? row.document.title
        : `${row.document.title}: ${number === 1 ? 'our proposal' : `our proposal, revised`}`,
      body: [
        words.trim() || `Good day ${whom.name},`,
        row.document.change
          ? `here is a change to our agreement for ${place!.address.street}: “${view.title}”. ${as} it changes the sum by ${showDecimal(view.total)} ${view.currency}, including tax. It takes effect when you sign it.`
          : `here is our proposal “${view.title}” for ${place!.address.street}. ${as} it comes to ${showDecimal(view.total)} ${view.currency}, including tax.`,
        `Read it, choose and sign here:\n${link.address}`,
        `${actor.name}\n${ours.name} · ${ours.phone}`,
      ].join('\n\n'),
    });
    await recordAudit(tx, actor, 'proposal sent', proposalId, {
      revision: number,
      revisionId,
      to: addressed,
      ...(kept && kept.lost.length > 0 ? { lost: kept.lost } : {}),
    });
    return { revision: number, linkId: link.id, token: link.token, leaves };
  });
}

/**
 * Makes every link of a proposal stop working.
 * @throws Problem `no-such-proposal`
 */
export async function revokeLinks(actor: Actor, id: unknown): Promise<void> {
  allow(actor, 'propose');
  const proposalId = checkId(id, 'proposal');
  await inCompany(actor, async (tx) => {
    await updateLinksOf(tx, proposalId, { revokedAt: actor.now });
    await recordAudit(tx, actor, 'links revoked', proposalId);
  });
}
