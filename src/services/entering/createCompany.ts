import { hasDemo } from '@/data/before';
import type { Transaction } from '@/data/connection';
import { asNewcomer, inCompany } from '@/data/connection';
import { insertPerson } from '@/data/accounts/person';
import { findRoles, insertRoles } from '@/data/accounts/role';
import { insertUser } from '@/data/accounts/user';
import { insertCompany } from '@/data/settings/company';
import type { company } from '@/data/schema';
import type { RoleKind, UsualTerms } from '@/model';
import { firstRoles, permissionKeys } from '@/model';
import type { Actor } from '../actor';
import { actorFrom, allow, newId, recordAudit } from '../actor';
import { takenOr } from './taken';
import { plainTerms } from '../settings/plainTerms';
import { hashPassword, refusePoorPassword } from '../accounts/password';

export type NewCompany = Omit<typeof company.$inferInsert, 'id' | 'createdAt' | 'usual'> & {
  readonly usual?: UsualTerms;
};

/** Somebody who is not known yet. */
export interface NewPerson {
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

/** A company with its first roles and its owner, in a transaction of that owner. */
export async function insertNewCompany(
  tx: Transaction,
  {
    companyId,
    personId,
    name,
  }: { readonly companyId: string; readonly personId: string; readonly name: string },
  values: NewCompany,
  now: Date,
): Promise<Actor> {
  const userId = newId(now);
  await insertCompany(tx, { usual: plainTerms, ...values, id: companyId, createdAt: now });
  const roles = firstRoles.map((each, position) => ({ ...each, companyId, id: newId(now), position }));
  await insertRoles(tx, roles);
  const owner = roles.find(({ kind }) => kind === 'owner')!;
  await insertUser(tx, { companyId, id: userId, personId, name, roleId: owner.id, createdAt: now });
  return actorFrom(
    {
      ...{ companyId, userId, personId, name, role: owner.name, kind: owner.kind },
      ...{ permissions: permissionKeys, discount: null },
    },
    now,
  );
}

/**
 * Sets up a company with its first person, the owner. In a database with a demo it is one more of the demo.
 * @throws Problem `address-taken`
 */
export async function createCompany(values: NewCompany, owner: NewPerson, now: Date): Promise<Actor> {
  refusePoorPassword(owner.password, [owner.name, owner.email, values.name]);
  const companyId = newId(now);
  const personId = newId(now);
  const passwordHash = await hashPassword(owner.password);
  const demo = values.demo === true || (await hasDemo());
  return takenOr(() =>
    asNewcomer(personId, companyId, async (tx) => {
      const { name, email } = owner;
      await insertPerson(tx, { id: personId, name, email, passwordHash, createdAt: now });
      return insertNewCompany(tx, { companyId, personId, name: owner.name }, { ...values, demo }, now);
    }),
  );
}

/**
 * Adds somebody with a password at once, for filling a demo; others are invited.
 * @throws Problem `address-taken`
 */
export async function addUser(actor: Actor, values: NewPerson & { readonly role: RoleKind }): Promise<Actor> {
  allow(actor, 'people');
  refusePoorPassword(values.password, [values.name, values.email]);
  const userId = newId(actor.now);
  const personId = newId(actor.now);
  const passwordHash = await hashPassword(values.password);
  const roles = await inCompany(actor, findRoles);
  const held = roles.find(({ kind }) => kind === values.role)!;
  const { companyId, now } = actor;
  await takenOr(() =>
    asNewcomer(personId, companyId, async (tx) => {
      const { name, email } = values;
      await insertPerson(tx, { id: personId, name, email, passwordHash, createdAt: now });
      await insertUser(tx, {
        ...{ companyId, id: userId, personId, name: values.name, roleId: held.id, createdAt: now },
      });
      await recordAudit(tx, actor, 'user added', userId, { role: held.name });
    }),
  );
  const { name: role, kind, permissions, discount } = held;
  return actorFrom(
    { companyId, userId, personId, name: values.name, role, kind, permissions, discount },
    now,
  );
}
