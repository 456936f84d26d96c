import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { lockProposalById, updateProposal } from '@/data/proposals/proposal';
import { EntityId } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { noSuch, Problem } from '../problem';

/**
 * Takes a proposal back: its links stop working for deciding. What was sent stays readable at the desk.
 * @throws Problem `no-such-proposal`, `proposal-closed`
 */
export async function withdrawProposal(actor: Actor, id: unknown): Promise<void> {
  allow(actor, 'propose');
  const proposalId = checkId(id, 'proposal');
  await inCompany(actor, async (tx) => {
    const [row] = await lockProposalById(tx, proposalId);
    if (!row) throw noSuch('proposal');
    if (!isOpen(row)) throw new Problem('proposal-closed', `This proposal is ${row.state} already.`);
    await withdraw(tx, actor, proposalId);
  });
}

const isOpen = ({ state }: { readonly state: string }): boolean => state === 'sent' || state === 'draft';

async function withdraw(tx: Transaction, actor: Actor, proposalId: string): Promise<void> {
  await updateProposal(tx, proposalId, { state: 'withdrawn', updatedAt: actor.now });
  await recordAudit(tx, actor, 'proposal withdrawn', proposalId);
}

const PickedProposals = Type.Object(
  { ids: Type.Array(EntityId, { minItems: 1, maxItems: 200 }) },
  { additionalProperties: false },
);

/**
 * Takes several proposals back at once. What is not there, or is accepted or declined, is passed over.
 * @returns how many of them stand withdrawn now, whoever took them back: asked again after a lost answer, it says the same
 */
export async function withdrawMany(actor: Actor, input: unknown): Promise<{ count: number }> {
  allow(actor, 'propose');
  const { ids } = check(PickedProposals, input, 'What is picked');
  return inCompany(actor, async (tx) => {
    let count = 0;
    // Always in one order: two who take back the same ones wait for each other and never for ever.
    for (const id of [...new Set(ids)].sort()) {
      const [row] = await lockProposalById(tx, id);
      if (row && isOpen(row)) await withdraw(tx, actor, id);
      if (row && (isOpen(row) || row.state === 'withdrawn')) count += 1;
    }
    return { count };
  });
}
