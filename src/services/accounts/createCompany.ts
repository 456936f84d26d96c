import { inCompany } from '@/data/connection';
import { company, user } from '@/data/schema';
import type { UsualTerms } from '@/model';
import type { Actor, Role } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { hashPassword, refusePoorPassword } from './password';

type NewCompany = Omit<typeof company.$inferInsert, 'id' | 'createdAt' | 'usual'> & {
  readonly usual?: UsualTerms;
};

/** What a company begins with until its owner says otherwise: a common way to price and bill, and no tax. */
const plainTerms: UsualTerms = {
  shows: 'sections',
  loads: [
    { id: 'overhead', name: 'Overhead', kind: 'overhead', percent: '10', base: 'direct' },
    { id: 'profit', name: 'Profit', kind: 'profit', percent: '20', base: 'running' },
  ],
  fees: [],
  taxClasses: [{ id: 'standard', name: 'Not taxed', components: [] }],
  schedule: [
    {
      id: 'deposit',
      name: 'On signing',
      kind: 'deposit',
      share: { percent: '10' },
      due: { on: 'acceptance' },
    },
    {
      id: 'final',
      name: 'On completion',
      kind: 'final',
      share: { rest: true },
      due: { on: 'stage', stage: 'Completion' },
    },
  ],
};

/** Sets up a company with its first user, the owner. */
export async function createCompany(
  values: NewCompany,
  owner: { readonly name: string; readonly email: string; readonly password: string },
  now: Date,
): Promise<Actor> {
  refusePoorPassword(owner.password, [owner.name, owner.email, values.name]);
  const companyId = newId(now);
  const userId = newId(now);
  const passwordHash = await hashPassword(owner.password);
  await inCompany(companyId, async (tx) => {
    await tx.insert(company).values({ usual: plainTerms, ...values, id: companyId, createdAt: now });
    await tx.insert(user).values({
      companyId,
      id: userId,
      email: owner.email,
      name: owner.name,
      role: 'owner',
      passwordHash,
      createdAt: now,
    });
  });
  return { companyId, userId, name: owner.name, role: 'owner', now };
}

/** Adds a user to the company; for the owner. */
export async function addUser(
  actor: Actor,
  values: { readonly name: string; readonly email: string; readonly password: string; readonly role: Role },
): Promise<Actor> {
  allow(actor, 'owner');
  refusePoorPassword(values.password, [values.name, values.email]);
  const id = newId(actor.now);
  const passwordHash = await hashPassword(values.password);
  await inCompany(actor.companyId, async (tx) => {
    const { name, email, role } = values;
    await tx
      .insert(user)
      .values({ companyId: actor.companyId, id, email, name, role, passwordHash, createdAt: actor.now });
    await recordAudit(tx, actor, 'user added', id, { role });
  });
  return { ...actor, userId: id, name: values.name, role: values.role };
}
