import Type from 'typebox';
import { inCompany } from '@/data/connection';
import type { DocumentChanges } from '@/core/offer';
import { compareDocuments } from '@/core/offer';
import type { ProposalDocument } from '@/model';
import { EntityId } from '@/model';
import type { Actor } from '../actor';
import { withoutCost } from '@/core/editing';
import { pricesOf } from '@/core/price';
import { allow, may } from '../actor';
import { check } from '../check';
import { noSuch, Problem } from '../problem';
import { findCanonicalText } from '@/data/proposals/revision';
import { findDocumentAndSite } from '@/data/proposals/proposal';

const closed = { additionalProperties: false } as const;
const number = Type.Integer({ minimum: 1 });
const CompareInput = Type.Object(
  {
    proposalId: EntityId,
    from: number,
    /** Null: the proposal as it stands at the desk. */
    to: Type.Union([number, Type.Null()]),
  },
  closed,
);

/**
 * What changed from one revision of a proposal to another, or to how it stands now; with our cost for who may see it.
 * @throws Problem `no-such-proposal`, `no-such-revision`
 */
export async function compareRevisions(actor: Actor, input: unknown): Promise<DocumentChanges> {
  allow(actor, 'prices');
  const { proposalId, from, to } = check(CompareInput, input, 'The comparison');
  return inCompany(actor, async (tx) => {
    const frozen = async (wanted: number): Promise<ProposalDocument> => {
      const [row] = await findCanonicalText(tx, proposalId, wanted);
      if (!row) throw new Problem('no-such-revision', `There is no revision ${wanted} of this proposal.`);
      return JSON.parse(row.canonical) as ProposalDocument;
    };
    const [row] = await findDocumentAndSite(tx, proposalId);
    if (!row) throw noSuch('proposal');
    const seen = (document: ProposalDocument): ProposalDocument =>
      may(actor, 'cost') ? document : { ...withoutCost(document), pricedAt: pricesOf(document) };
    return compareDocuments(seen(await frozen(from)), seen(to === null ? row.document : await frozen(to)));
  });
}
