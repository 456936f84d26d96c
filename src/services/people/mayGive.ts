import type { RoleRow } from '@/data/accounts/role';
import { findRoles } from '@/data/accounts/role';
import type { Transaction } from '@/data/connection';
import type { Actor } from '../actor';
import { noSuch, Problem } from '../problem';

/** Whether somebody has everything a role has: nobody gives, or takes from, what is more than their own. */
export const reaches = (
  actor: Actor,
  { kind, permissions }: Pick<RoleRow, 'kind' | 'permissions'>,
): boolean =>
  actor.isOwner || (kind !== 'owner' && permissions.every((each) => actor.permissions.includes(each)));

/**
 * A role that somebody may give.
 * @throws Problem `more-than-own`, `no-such-role`
 */
export async function roleToGive(tx: Transaction, actor: Actor, roleId: string): Promise<RoleRow> {
  const role = (await findRoles(tx)).find(({ id }) => id === roleId);
  if (!role) throw noSuch('role');
  if (!reaches(actor, role))
    throw new Problem('more-than-own', `“${role.name}” may do more than you may. Ask an owner to give it.`);
  return role;
}
