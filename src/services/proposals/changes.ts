import canonicalize from 'canonicalize';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { proposal } from '@/data/schema';
import type { JsonPatchStep } from '@/core/editing';
import type { PricesGiven, ProposalDocument } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { checkId } from '../check';
import { noSuch, Problem } from '../problem';
import { missedFor } from './withoutCost';
import { sha256 } from '../secrets';
import { findEditsSince } from '@/data/proposals/proposalEdit';
import { findMarksBeside } from '@/data/proposals/mark';
import { proposalById } from '@/data/proposals/proposal';

/** Edits others made since a save, by whom, in their order. */
export const editsSince = (tx: Transaction, proposalId: string, saveNumber: number) =>
  findEditsSince(tx, proposalId, saveNumber);

/** A mark that differs when anything about the proposal but its text did: sent, opened, chosen, asked, approved, decided. */
async function markOf(tx: Transaction, row: typeof proposal.$inferSelect): Promise<string> {
  const of = row.id;
  const [facts] = await findMarksBeside(tx, of);
  return sha256(
    canonicalize({ ...facts, state: row.state, sent: row.sentSaveNumber, seller: row.sellerId })!,
  );
}

export interface ChangesSince {
  readonly mark: string;
  /** Null: the document is as the save asked about. */
  readonly missed: {
    readonly saveNumber: number;
    readonly document: ProposalDocument;
    readonly prices: PricesGiven | null;
    readonly patches: readonly JsonPatchStep[];
  } | null;
}

/**
 * What happened to a proposal since a save that an open page last saw.
 * @throws Problem `no-such-proposal`, `parameter-missing`
 */
export async function changesSince(actor: Actor, id: string, saveNumber: number): Promise<ChangesSince> {
  allow(actor, 'prices');
  const proposalId = checkId(id, 'proposal');
  if (!Number.isInteger(saveNumber) || saveNumber < 0 || saveNumber > 2 ** 31 - 1)
    throw new Problem('parameter-missing', 'Say since which save: ?since=12.');
  return inCompany(actor, async (tx) => {
    const [row] = await proposalById(tx, proposalId);
    if (!row) throw noSuch('proposal');
    const mark = await markOf(tx, row);
    if (row.saveNumber <= saveNumber) return { mark, missed: null };
    const edits = await editsSince(tx, proposalId, saveNumber);
    return {
      mark,
      missed: missedFor(
        row,
        edits.flatMap((edit) => edit.patches as JsonPatchStep[]),
        actor,
      ),
    };
  });
}
