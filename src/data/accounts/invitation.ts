import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { invitation, role, user } from '../schema';

type Row = typeof invitation.$inferInsert;

const isOpen = and(isNull(invitation.acceptedAt), isNull(invitation.revokedAt));

/** Keeps an invitation. */
export async function insertInvitation(tx: Transaction, values: Row): Promise<void> {
  await tx.insert(invitation).values(values);
}

/** Changes columns of an invitation. */
export async function updateInvitation(tx: Transaction, id: string, columns: Partial<Row>): Promise<void> {
  await tx.update(invitation).set(columns).where(eq(invitation.id, id));
}

/** One invitation, held until the transaction is over. */
export const lockInvitation = async (tx: Transaction, id: string) =>
  tx.select().from(invitation).where(eq(invitation.id, id)).for('update');

/** The open invitation to an address, held until the transaction is over. */
export const findOpenInvitation = async (tx: Transaction, email: string) =>
  tx
    .select({ id: invitation.id })
    .from(invitation)
    .where(and(isOpen, sql`lower(${invitation.email}) = ${email.toLowerCase()}`))
    .for('update');

/** The invitations that are open, newest first. */
export const findInvitations = async (tx: Transaction) =>
  tx
    .select({
      id: invitation.id,
      email: invitation.email,
      name: invitation.name,
      role: role.name,
      invitedBy: user.name,
      invitedAt: invitation.invitedAt,
      expiresAt: invitation.expiresAt,
    })
    .from(invitation)
    .innerJoin(role, eq(role.id, invitation.roleId))
    .innerJoin(user, eq(user.id, invitation.invitedBy))
    .where(isOpen)
    .orderBy(desc(invitation.invitedAt));
