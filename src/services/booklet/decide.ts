import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { changesRead } from '@/core/offer';
import type { ProposalDocument } from '@/model';
import { DeclineInput } from '@/model';
import { newId, recordAudit } from '../actor';
import { check } from '../check';
import { choicesOf } from '@/data/proposals/choices';
import type { ProblemCode } from '@/model';
import { Problem } from '../problem';
import type { Visitor } from './open';
import { currentRevision } from './open';
import { revisionById } from '@/data/proposals/revision';
import { insertDecline } from '@/data/proposals/decline';
import { updateProposal } from '@/data/proposals/proposal';

/** The sentence a signer agrees to. Stored with the signature. */
export const consentSentence =
  'I accept this proposal as shown, with my choices, its payment schedule and its terms, and I agree to sign electronically.';

/** The same where it is a change to an agreement. */
export const changeConsent =
  'I accept this change to our agreement as shown, with my choices and what it does to the sum and the payments, and I agree to sign electronically.';

/** What is kept in its place where they said yes to us, and we recorded it: nothing was signed electronically. */
const toldConsent = (change: boolean): string =>
  `The customer told us that they accept ${change ? 'this change to our agreement' : 'this proposal'} as it stands, with ${change ? 'its choices and what it does to the sum and the payments' : 'its choices, its payment schedule and its terms'}; we recorded it.`;

/** The sentence for a document. */
export const consentTo = ({ change }: Pick<ProposalDocument, 'change'>, told: boolean): string =>
  told ? toldConsent(change !== undefined) : change ? changeConsent : consentSentence;

/** What is decided about. */
type Current = Awaited<ReturnType<typeof currentRevision>>;

/**
 * Refuses when the one who decides was reading an older revision, and says what changed.
 * @throws Problem `no-such-revision`, `revision-outdated`
 */
export async function refuseReplaced(tx: Transaction, current: Current, revisionId: string): Promise<void> {
  if (current.revision.id === revisionId) return;
  const [old] = await revisionById(tx, revisionId);
  if (!old || old.proposalId !== current.proposal.id)
    throw new Problem('no-such-revision', 'That is not a revision of this proposal.');
  const then = JSON.parse(old.canonical) as ProposalDocument;
  const had = await choicesOf(tx, old, then);
  const now = await choicesOf(tx, current.revision, current.document);
  const changes = changesRead(
    { document: then, choices: had.choices },
    { document: current.document, choices: now.choices },
  );
  throw new Problem(
    'revision-outdated',
    changes.length === 0
      ? 'This proposal was sent to you once more, with nothing changed in it. Open the newest one to decide.'
      : 'This proposal was changed after you opened it. Here is what is different; read the new one before you decide.',
    { context: { changes, revision: current.revision.number } },
  );
}

/** Refuses where there is nothing to decide any more. */
export function refuseClosed(current: Current): void {
  const reasons: Partial<Record<Current['state'], readonly [ProblemCode, string]>> = {
    draft: ['proposal-revised', 'This is being revised; we will send you the new one.'],
    lapsed: ['prices-lapsed', 'The day these prices hold until is over. Ask us for fresh ones.'],
    withdrawn: ['proposal-withdrawn', 'This proposal was withdrawn. Ask us if you did not expect that.'],
    declined: ['proposal-declined', 'This proposal was declined. Tell us if you changed your mind.'],
    accepted: ['accepted-already', 'This proposal is accepted already.'],
  };
  const reason = reasons[current.state];
  if (reason) throw new Problem(...reason);
}

/** A customer's no, with the reason. A repeat changes nothing. */
export async function declineProposal(visitor: Visitor, input: unknown): Promise<void> {
  const { revisionId, reason } = check(DeclineInput, input, 'The answer');
  await inCompany(visitor.companyId, async (tx) => {
    const current = await currentRevision(tx, visitor, { lock: true });
    if (current.state === 'declined') return;
    refuseClosed(current);
    await refuseReplaced(tx, current, revisionId);
    await insertDecline(tx, {
      companyId: visitor.companyId,
      id: newId(visitor.now),
      revisionId,
      reason: reason.trim(),
      at: visitor.now,
    });
    await updateProposal(tx, visitor.proposalId, { state: 'declined', updatedAt: visitor.now });
    await recordAudit(tx, visitor, 'proposal declined', visitor.proposalId, { revisionId });
  });
}
