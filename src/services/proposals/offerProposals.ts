import { inCompany } from '@/data/connection';
import { findProposalsLike } from '@/data/proposals/withCustomer';
import { isId } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';
import type { Asked, Offered } from '../offered';
import { OFFERED, cutOffer } from '../offered';

/** A proposal to copy. */
export interface EarlierProposal {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly customer: string;
}

/**
 * Proposals to copy, change orders left out: whose number, title, customer or site has all the words, last changed first,
 * and whether there are more than are offered at once; or the one that is asked for by its id.
 */
export async function offerProposals(
  actor: Actor,
  { words = '', id }: Asked = {},
): Promise<Offered<EarlierProposal>> {
  allow(actor, 'prices');
  if (id !== undefined && !isId(id)) return { found: [], more: false };
  return inCompany(actor, async (tx) => {
    const { found, more } = cutOffer(await findProposalsLike(tx, { words, id, most: OFFERED + 1 }));
    return {
      found: found.map(({ proposal: { id: proposalId, number, title }, customer: { name } }) => ({
        id: proposalId,
        number,
        title,
        customer: name,
      })),
      more,
    };
  });
}
