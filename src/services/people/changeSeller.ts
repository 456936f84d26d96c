import Type from 'typebox';
import { findRoles } from '@/data/accounts/role';
import { findPeople } from '@/data/accounts/user';
import { inCompany } from '@/data/connection';
import { lockProposalById, updateProposal } from '@/data/proposals/proposal';
import { EntityId, withNeeded } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check } from '../check';
import { noSuch } from '../problem';

/** Who of the company could sell: who may write proposals and may sign in. */
export async function listSellers(actor: Actor) {
  allow(actor, 'propose');
  allow(actor, 'allProposals');
  return inCompany(actor, async (tx) => {
    const selling = new Set(
      (await findRoles(tx))
        .filter(({ kind, permissions }) => kind === 'owner' || withNeeded(permissions).includes('propose'))
        .map(({ id }) => id),
    );
    return (await findPeople(tx))
      .filter(({ disabledAt, roleId }) => !disabledAt && selling.has(roleId))
      .map(({ id, name }) => ({ id, name }));
  });
}

const Input = Type.Object({ proposalId: EntityId, sellerId: EntityId }, { additionalProperties: false });

/**
 * Gives one proposal, and the job it became, to another seller. Who sold it before stands in the record.
 * @throws Problem `no-such-person`, `no-such-proposal`
 */
export async function changeSeller(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'propose');
  allow(actor, 'allProposals');
  const { proposalId, sellerId } = check(Input, input, 'The seller');
  const sellers = await listSellers(actor);
  if (!sellers.some(({ id }) => id === sellerId)) throw noSuch('person');
  await inCompany(actor, async (tx) => {
    const [row] = await lockProposalById(tx, proposalId);
    if (!row) throw noSuch('proposal');
    if (row.sellerId === sellerId) return;
    await updateProposal(tx, proposalId, { sellerId });
    await recordAudit(tx, actor, 'seller changed', proposalId, { before: row.sellerId, after: sellerId });
  });
}
