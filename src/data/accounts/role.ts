import { and, asc, eq, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { invitation, role, user } from '../schema';

type Row = typeof role.$inferInsert;

/** The roles of the company, in their order, with how many who may sign in have each. */
export const findRoles = async (tx: Transaction) =>
  tx
    .select({
      id: role.id,
      name: role.name,
      kind: role.kind,
      permissions: role.permissions,
      discount: role.discount,
      people: sql<number>`(select count(*)::int from app_user u where u.company_id = role.company_id
        and u.role_id = role.id and u.disabled_at is null)`,
    })
    .from(role)
    .orderBy(asc(role.position), asc(role.name));

export type RoleRow = Awaited<ReturnType<typeof findRoles>>[number];

/** One role, held until the transaction is over. */
export const lockRole = async (tx: Transaction, id: string) =>
  tx.select().from(role).where(eq(role.id, id)).for('update');

/** Keeps roles. */
export async function insertRoles(tx: Transaction, rows: readonly Row[]): Promise<void> {
  await tx.insert(role).values([...rows]);
}

/** Changes columns of a role. */
export async function updateRole(tx: Transaction, id: string, columns: Partial<Row>): Promise<void> {
  await tx.update(role).set(columns).where(eq(role.id, id));
}

/** Whether a role is somebody's, or was offered to somebody. */
export async function roleInUse(tx: Transaction, id: string): Promise<boolean> {
  const [held] = await tx.select({ id: user.id }).from(user).where(eq(user.roleId, id)).limit(1);
  const [offered] = await tx
    .select({ id: invitation.id })
    .from(invitation)
    .where(and(eq(invitation.roleId, id)))
    .limit(1);
  return held !== undefined || offered !== undefined;
}

/** Takes a role away that nobody has. */
export async function deleteRole(tx: Transaction, id: string): Promise<void> {
  await tx.delete(role).where(eq(role.id, id));
}
