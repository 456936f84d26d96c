import jsonPatch from 'fast-json-patch';
import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { findProposalWithCustomer } from '@/data/proposals/withCustomer';
import { DocumentWithin } from '@/model/documentWithin';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { check, checkId } from '../check';
import { noSuch } from '../problem';
import { saveProposal } from './save';
import { documentFor } from './withoutCost';

export const ReplaceInput = Type.Object(
  {
    saveNumber: Type.Integer({ minimum: 0, description: 'As it was read' }),
    document: DocumentWithin,
  },
  { additionalProperties: false },
);

/**
 * Puts a whole document in the place of the one that was read. What differs is saved as an edit, as people's are.
 * @throws Problem `changed-meanwhile`, `no-such-proposal`, `proposal-closed`
 */
export async function replaceDocument(
  actor: Actor,
  id: unknown,
  input: unknown,
): Promise<{ readonly saveNumber: number }> {
  allow(actor, 'propose');
  const proposalId = checkId(id, 'proposal');
  const { saveNumber, document } = check(ReplaceInput, input, 'The document');
  const [found] = await inCompany(actor, (tx) => findProposalWithCustomer(tx, proposalId));
  if (!found) throw noSuch('proposal');
  // Compared with what they see of it: who sees no cost takes none away.
  const patches = jsonPatch.compare(documentFor(found.proposal.document, actor), document);
  // It is so already: asked again after an answer that was lost, it is done.
  if (patches.length === 0) return { saveNumber: found.proposal.saveNumber };
  const { saveNumber: now } = await saveProposal(actor, { proposalId, saveNumber, patches });
  return { saveNumber: now };
}
