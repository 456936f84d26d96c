import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { approval } from '@/data/schema';
import { limitsCrossed } from '@/core/range';
import type { CompanyPricing, ProposalDocument } from '@/model';
import { AnswerApprovalInput, AskApprovalInput } from '@/model';
import type { Actor } from '../actor';
import { allow, may, newId, recordAudit, senderOf } from '../actor';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { noSuch, Problem } from '../problem';
import { crossedFor } from './withoutCost';
import {
  findApprovalsOf,
  findWaitingApprovals,
  insertApprovalOnce,
  lockApprovalById,
  answerApprovalRow,
  findApprovalOfState,
  updateApprovalOf,
  insertApproval,
} from '@/data/proposals/approval';
import { lockProposalById } from '@/data/proposals/proposal';

/** What was asked of the owner about a proposal, and what they said. */
export interface Approval {
  readonly id: string;
  readonly saveNumber: number;
  readonly reasons: readonly string[];
  readonly askedBy: string;
  readonly askedAt: string;
  readonly words: string;
  readonly verdict: 'yes' | 'no' | null;
  readonly answer: string;
  readonly answeredAt: string | null;
}

const shown = (row: typeof approval.$inferSelect, askedBy: string): Approval => ({
  id: row.id,
  saveNumber: row.saveNumber,
  reasons: row.reasons,
  askedBy,
  askedAt: row.askedAt.toISOString(),
  words: row.words,
  verdict: row.verdict,
  answer: row.answer,
  answeredAt: row.answeredAt?.toISOString() ?? null,
});

/** Everything that was asked about a proposal, newest first; the reasons in figures for who sees cost and margin. */
export async function approvalsOf(tx: Transaction, actor: Actor, proposalId: string): Promise<Approval[]> {
  const rows = await findApprovalsOf(tx, proposalId);
  return rows.map(({ approval: row, name }) => ({
    ...shown(row, name),
    ...(may(actor, 'cost') ? {} : { reasons: ['It crosses what the company asks for.'] }),
  }));
}

/** What waits for the owner's answer, oldest first. */
export async function waitingApprovals(actor: Actor) {
  allow(actor, 'approve');
  return inCompany(actor, async (tx) => {
    const rows = await findWaitingApprovals(tx);
    return rows.map(({ approval: row, name, title, customer: payer }) => ({
      ...shown(row, name),
      proposalId: row.proposalId,
      title,
      customer: payer,
    }));
  });
}

/** @throws Problem `changed-meanwhile`, `no-such-proposal` */
async function locked(tx: Transaction, proposalId: string, saveNumber: number) {
  const [row] = await lockProposalById(tx, proposalId);
  if (!row) throw noSuch('proposal');
  if (row.saveNumber !== saveNumber)
    throw new Problem(
      'changed-meanwhile',
      'The proposal was changed in another window. Look at it again first.',
    );
  return row;
}

/**
 * Asks the owner to let a proposal go out as it stands, though it crosses the company's limits.
 * @throws Problem `approval-not-needed`, `asked-already`
 */
export async function askApproval(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'propose');
  const { proposalId, saveNumber, words } = check(AskApprovalInput, input, 'The question');
  await inCompany(actor, async (tx) => {
    const row = await locked(tx, proposalId, saveNumber);
    const { pricing } = await companyOf(tx, actor.companyId);
    const crossed = limitsCrossed(row.document, pricing.limits, senderOf(actor));
    if (crossed.length === 0)
      throw new Problem('approval-not-needed', 'Nothing about this proposal needs approval.');
    const id = newId(actor.now);
    const made = await insertApprovalOnce(tx, {
      companyId: actor.companyId,
      id,
      proposalId,
      saveNumber,
      reasons: crossed.map(({ message }) => message),
      askedBy: actor.userId,
      askedAt: actor.now,
      words: words.trim(),
    });
    if (made.length === 0) throw new Problem('asked-already', 'That is asked already.');
    await recordAudit(tx, actor, 'approval asked', proposalId, { approvalId: id, saveNumber });
  });
}

/**
 * The owner's yes or no, once.
 * @throws Problem `answered-already`, `no-such-approval`
 */
export async function answerApproval(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'approve');
  const { approvalId, verdict, answer } = check(AnswerApprovalInput, input, 'The answer');
  await inCompany(actor, async (tx) => {
    const [row] = await lockApprovalById(tx, approvalId);
    if (!row) throw new Problem('no-such-approval', 'That was not asked.');
    if (row.verdict) throw new Problem('answered-already', `This is answered already: ${row.verdict}.`);
    await answerApprovalRow(tx, verdict, answer, actor, approvalId);
    await recordAudit(tx, actor, 'approval answered', row.proposalId, { approvalId, verdict });
  });
}

/**
 * Refuses to send what crosses the company's limits without the owner's yes to exactly this state. The owner's own
 * sending is their yes, and kept as such.
 * @throws Problem `approval-needed`
 */
export async function refuseUnapproved(
  tx: Transaction,
  actor: Actor,
  row: { readonly id: string; readonly saveNumber: number; readonly document: ProposalDocument },
  pricing: CompanyPricing,
): Promise<void> {
  const crossed = limitsCrossed(row.document, pricing.limits, senderOf(actor));
  const told = crossedFor(crossed, actor);
  if (crossed.length === 0) return;
  const [known] = await findApprovalOfState(tx, row);
  if (known?.verdict === 'yes') return;
  if (!may(actor, 'approve'))
    throw new Problem(
      'approval-needed',
      known?.verdict === 'no'
        ? `The answer was no${known.answer ? `: ${known.answer}` : '.'}`
        : `This needs approval before it is sent. ${told[0]!.message}`,
      { errors: told.map(({ kind, message }) => ({ pointer: kind, detail: message })) },
    );
  const answer = {
    verdict: 'yes' as const,
    answeredBy: actor.userId,
    answeredAt: actor.now,
    answer: 'Sent by who approves.',
  };
  if (known && known.verdict === null) await updateApprovalOf(tx, answer, actor.companyId, known.id);
  else if (!known)
    await insertApproval(tx, {
      companyId: actor.companyId,
      id: newId(actor.now),
      proposalId: row.id,
      saveNumber: row.saveNumber,
      reasons: crossed.map(({ message }) => message),
      askedBy: actor.userId,
      askedAt: actor.now,
      ...answer,
    });
}
