import { insertChange } from '@/data/agreements/changes';
import Type from 'typebox';
import { inCompany } from '@/data/connection';
import type { ProposalDocument } from '@/model';
import { EntityId } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { check } from '../check';
import { Problem } from '../problem';
import { loadAgreement } from '@/data/agreements/load';

const closed = { additionalProperties: false } as const;
const StartChangeInput = Type.Object({ agreementId: EntityId }, closed);

/** Starts a change order to an agreement; it is worked on like a proposal. */
export async function startChangeOrder(
  actor: Actor,
  input: unknown,
): Promise<{ id: string; number: number }> {
  allow(actor, 'propose');
  const { agreementId } = check(StartChangeInput, input, 'The change order');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId, { lock: true });
    return insertChange(tx, actor, loaded, loaded.head.title, []);
  });
}

/**
 * Refuses to use a change order where only a proposal can be used.
 * @throws Problem `change-order-cannot`
 */
export function refuseChange({ change }: Pick<ProposalDocument, 'change'>, what: string): void {
  if (change)
    throw new Problem(
      'change-order-cannot',
      `A change order cannot be ${what}: it belongs to its agreement.`,
    );
}
