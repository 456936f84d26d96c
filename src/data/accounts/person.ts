import { and, eq, isNull, lt, or, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { emailLink, passwordLink, person, recoveryCode } from '../schema';

/* What is a person's own, in a transaction of theirs. What is secret is read by functions of the database alone. */

type Row = typeof person.$inferInsert;

/** Keeps a person. */
export async function insertPerson(tx: Transaction, values: Row): Promise<void> {
  await tx.insert(person).values(values);
}

/** Changes what is kept of a person. */
export async function updatePerson(
  tx: Transaction,
  id: string,
  columns: Partial<Omit<Row, 'id' | 'createdAt'>>,
): Promise<void> {
  await tx.update(person).set(columns).where(eq(person.id, id));
}

/** What a person signs in with, and what they are called. */
export const personById = async (tx: Transaction, id: string) =>
  tx
    .select({ email: person.email, name: person.name, totpSince: person.totpSince })
    .from(person)
    .where(eq(person.id, id));

/** What is secret of the person of the transaction. */
export async function secretsOfPerson(tx: Transaction) {
  const { rows } = await tx.execute<{
    passwordHash: string | null;
    totp: string | null;
    second: boolean;
  }>(
    sql`select password_hash as "passwordHash", totp, totp_since is not null as second from person_secrets()`,
  );
  return rows[0] ?? null;
}

/** A company a person works for. */
export interface OwnCompany extends Record<string, unknown> {
  readonly companyId: string;
  readonly userId: string;
  readonly company: string;
  readonly role: string;
  readonly demo: boolean;
}

/** The companies the person of the transaction works for, the one they were in last first. */
export const companiesOfPerson = async (tx: Transaction): Promise<OwnCompany[]> =>
  (
    await tx.execute<OwnCompany>(
      sql`select company_id as "companyId", user_id as "userId", company, role, demo from companies_of_person()
        order by last_seen desc nulls last, company`,
    )
  ).rows;

/** Ends the sessions of the person of the transaction, in all companies, besides one. @param besides hash of its token */
export async function endSessionsOfPerson(tx: Transaction, besides: string, now: Date): Promise<void> {
  await tx.execute(sql`select end_sessions_of_person(${besides}, ${now.toISOString()}::timestamptz)`);
}

/** Keeps the hashes of a person's recovery codes instead of those they had. */
export async function putRecoveryCodes(tx: Transaction, personId: string, hashes: readonly string[]) {
  await tx.delete(recoveryCode).where(eq(recoveryCode.personId, personId));
  if (hashes.length > 0)
    await tx.insert(recoveryCode).values(hashes.map((hash) => ({ personId, hash, usedAt: null })));
}

/** Uses a recovery code, once; nothing where it is none, or was used. */
export const takeRecoveryCode = async (tx: Transaction, personId: string, hash: string, now: Date) =>
  tx
    .update(recoveryCode)
    .set({ usedAt: now })
    .where(and(eq(recoveryCode.personId, personId), eq(recoveryCode.hash, hash), isNull(recoveryCode.usedAt)))
    .returning({ hash: recoveryCode.hash });

/** How many recovery codes a person has left. */
export const countRecoveryCodes = async (tx: Transaction, personId: string): Promise<number> =>
  (
    await tx
      .select({ hash: recoveryCode.hash })
      .from(recoveryCode)
      .where(and(eq(recoveryCode.personId, personId), isNull(recoveryCode.usedAt)))
  ).length;

/** Takes the step of a code, so that it opens once; nothing where that step or a later one was taken. */
export const takeTotpStep = async (tx: Transaction, personId: string, step: number): Promise<boolean> =>
  (
    await tx
      .update(person)
      .set({ totpStep: step })
      .where(and(eq(person.id, personId), or(isNull(person.totpStep), lt(person.totpStep, step))))
      .returning({ id: person.id })
  ).length === 1;

/** Keeps a link to set a new password, instead of those the person had. */
export async function putPasswordLink(
  tx: Transaction,
  personId: string,
  tokenHash: string,
  expiresAt: Date,
): Promise<void> {
  await endPasswordLinks(tx, personId);
  await tx.insert(passwordLink).values({ personId, tokenHash, expiresAt });
}

/** Ends the links to set a new password that a person was sent. */
export async function endPasswordLinks(tx: Transaction, personId: string): Promise<void> {
  await tx.delete(passwordLink).where(eq(passwordLink.personId, personId));
}

/** Uses a link to set a new password, once; nothing where it is over. */
export const takePasswordLink = async (tx: Transaction, tokenHash: string, now: Date) =>
  tx
    .update(passwordLink)
    .set({ usedAt: now })
    .where(
      and(
        eq(passwordLink.tokenHash, tokenHash),
        isNull(passwordLink.usedAt),
        sql`${passwordLink.expiresAt} > ${now.toISOString()}::timestamptz`,
      ),
    )
    .returning({ personId: passwordLink.personId });

/** Keeps a link to sign in with another address, instead of those the person had; none, and they are over. */
export async function putEmailLink(
  tx: Transaction,
  personId: string,
  link: { readonly tokenHash: string; readonly email: string; readonly expiresAt: Date } | null,
): Promise<void> {
  await tx.delete(emailLink).where(eq(emailLink.personId, personId));
  if (link) await tx.insert(emailLink).values({ personId, ...link });
}

/** Uses a link to sign in with another address, once; nothing where it is over. */
export const takeEmailLink = async (tx: Transaction, tokenHash: string, now: Date) =>
  tx
    .update(emailLink)
    .set({ usedAt: now })
    .where(
      and(
        eq(emailLink.tokenHash, tokenHash),
        isNull(emailLink.usedAt),
        sql`${emailLink.expiresAt} > ${now.toISOString()}::timestamptz`,
      ),
    )
    .returning({ email: emailLink.email });
