import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { putStar, takeStar } from '@/data/library/stars';
import { EntityId } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { check, checkId } from '../check';

/**
 * Stars something of the library for this person, or takes the star off.
 * @throws Problem `no-such-library-entry`
 */
export async function star(actor: Actor, id: unknown, starred: boolean): Promise<void> {
  allow(actor, 'prices');
  const starredId = checkId(id, 'library entry');
  await inCompany(actor, (tx) => (starred ? putStar : takeStar)(tx, { ...actor, starredId }));
}

const StarsInput = Type.Object(
  { ids: Type.Array(EntityId, { minItems: 1, maxItems: 200 }), starred: Type.Boolean() },
  { additionalProperties: false },
);

/** Stars several things for this person at once, or takes their stars off. */
export async function starMany(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'prices');
  const { ids, starred } = check(StarsInput, input, 'What is picked');
  await inCompany(actor, async (tx) => {
    for (const starredId of ids) await (starred ? putStar : takeStar)(tx, { ...actor, starredId });
  });
}
