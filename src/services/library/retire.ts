import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { setRetired } from '@/data/library/retire';
import { EntityId } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { noSuch } from '../problem';

type Kind = 'item' | 'bundle';

async function retireOne(actor: Actor, kind: Kind, given: unknown, retired: boolean): Promise<void> {
  allow(actor, 'library');
  const id = checkId(given, kind);
  await inCompany(actor, async (tx) => {
    const changed = await setRetired(tx, kind, [id], retired ? actor.now : null);
    if (changed.length === 0) throw noSuch(kind);
    await recordAudit(tx, actor, retired ? `${kind} retired` : `${kind} brought back`, id);
  });
}

/** Takes an item out of use, or back into it. Bundles and proposals that have it keep it. */
export const retireItem = (actor: Actor, id: unknown, retired: boolean): Promise<void> =>
  retireOne(actor, 'item', id, retired);

/** Takes a bundle out of use, or back into it. Bundles it stands in keep working. */
export const retireBundle = (actor: Actor, id: unknown, retired: boolean): Promise<void> =>
  retireOne(actor, 'bundle', id, retired);

const RetireInput = Type.Object(
  { ids: Type.Array(EntityId, { minItems: 1, maxItems: 200 }), retired: Type.Boolean() },
  { additionalProperties: false },
);

/**
 * Takes several items and bundles out of use at once, or back into it; what is not there (any more) is passed over.
 * @returns how many there were
 */
export async function retireMany(actor: Actor, input: unknown): Promise<{ count: number }> {
  allow(actor, 'library');
  const { ids, retired } = check(RetireInput, input, 'What is picked');
  return inCompany(actor, async (tx) => {
    let count = 0;
    for (const kind of ['item', 'bundle'] as const)
      for (const id of await setRetired(tx, kind, ids, retired ? actor.now : null)) {
        await recordAudit(tx, actor, retired ? `${kind} retired` : `${kind} brought back`, id);
        count += 1;
      }
    return { count };
  });
}
