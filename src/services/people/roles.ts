import Type from 'typebox';
import { deleteRole, findRoles, insertRoles, lockRole, roleInUse, updateRole } from '@/data/accounts/role';
import { inCompany } from '@/data/connection';
import type { Permission } from '@/model';
import { EntityId, PercentText, permissionKeys, ShortText, withNeeded } from '@/model';
import type { Actor } from '../actor';
import { newId, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { isTaken } from '../taken';
import { noSuch, Problem } from '../problem';

const MOST = 30;

const Input = Type.Object(
  {
    id: Type.Optional(EntityId),
    name: ShortText,
    permissions: Type.Array(Type.Unsafe<Permission>({ type: 'string', enum: [...permissionKeys] }), {
      maxItems: permissionKeys.length,
    }),
    discount: Type.Union([PercentText, Type.Null()], {
      description: 'The most they take off without approval, in percent; null: as the company says',
    }),
  },
  { additionalProperties: false },
);

/** @throws Problem `owner-only` */
function owners(actor: Actor): void {
  if (!actor.isOwner) throw new Problem('owner-only', 'What a role may do is changed by an owner.');
}

/**
 * Adds a role, or changes what one may do; for an owner. Whoever has it may do so from their next request on.
 * @throws Problem `name-taken`, `no-such-role`, `owner-only`, `too-many-rows`
 */
export async function saveRole(actor: Actor, input: unknown): Promise<{ id: string }> {
  owners(actor);
  const { id, ...typed } = check(Input, input, 'The role');
  const wanted = {
    ...{ name: typed.name.trim(), permissions: withNeeded(typed.permissions), discount: typed.discount },
  };
  try {
    return await inCompany(actor, async (tx) => {
      if (id !== undefined) {
        const [before] = await lockRole(tx, id);
        if (!before) throw noSuch('role');
        const isOwners = before.kind === 'owner';
        await updateRole(tx, id, isOwners ? { name: wanted.name } : wanted);
        const { name, permissions, discount } = before;
        await recordAudit(tx, actor, 'role changed', id, {
          before: { name, permissions, discount },
          after: wanted,
        });
        return { id };
      }
      const roles = await findRoles(tx);
      if (roles.length >= MOST) throw new Problem('too-many-rows', `A company has at most ${MOST} roles.`);
      const made = newId(actor.now);
      await insertRoles(tx, [
        { companyId: actor.companyId, id: made, kind: null, position: roles.length, ...wanted },
      ]);
      await recordAudit(tx, actor, 'role added', made, { after: wanted });
      return { id: made };
    });
  } catch (error) {
    if (isTaken(error)) throw new Problem('name-taken', `There is a role “${wanted.name}” already.`);
    throw error;
  }
}

/**
 * Takes a role away that nobody has; for an owner.
 * @throws Problem `no-such-role`, `owner-only`, `role-in-use`
 */
export async function removeRole(actor: Actor, id: unknown): Promise<void> {
  owners(actor);
  const roleId = checkId(id, 'role');
  await inCompany(actor, async (tx) => {
    const [before] = await lockRole(tx, roleId);
    if (!before) throw noSuch('role');
    if (before.kind === 'owner' || (await roleInUse(tx, roleId)))
      throw new Problem('role-in-use', `“${before.name}” is or was somebody’s. Rename or change it instead.`);
    await deleteRole(tx, roleId);
    await recordAudit(tx, actor, 'role removed', roleId, { before: { name: before.name } });
  });
}
