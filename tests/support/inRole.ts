import type { RoleKind } from '@/model';
import { firstRoles } from '@/model';
import type { Actor } from '@/services/actor';
import { actorFrom } from '@/services/actor';

/** Somebody as they are with one of the roles a company begins with. */
export function inRole(
  {
    companyId,
    userId,
    personId,
    name,
    now,
  }: Pick<Actor, 'companyId' | 'userId' | 'personId' | 'name' | 'now'>,
  kind: RoleKind,
): Actor {
  const { name: role, permissions } = firstRoles.find((each) => each.kind === kind)!;
  return actorFrom({ companyId, userId, personId, name, role, kind, permissions, discount: null }, now);
}
