import { sql } from 'drizzle-orm';
import type { Permission } from '@/model';
import { beforeCompany } from './connection';

/*
 * What is asked before the company is known. The server's role sees no row of a company without its identity; each of these
 * asks a function of the database one question about one secret or one address, and nothing else.
 */

const one = async <T extends object>(query: ReturnType<typeof sql>): Promise<T | null> =>
  beforeCompany(async (tx) => ((await tx.execute(query)).rows[0] as T | undefined) ?? null);

export interface Account {
  /** Of the person. */
  readonly id: string;
  readonly passwordHash: string | null;
  /** Whether a code of an authenticator is asked for as well. */
  readonly second: boolean;
}

/** The account of a mail address, in small letters. */
export const findAccount = (address: string) =>
  one<Account>(sql`select id, password_hash as "passwordHash", second from find_account(${address})`);

/** Whether a person was given a session with this hash, open or over, in whichever company. */
export const knowsDevice = async (personId: string, hash: string) =>
  (await one<{ known: boolean }>(sql`select knows_device(${personId}, ${hash}) as known`))!.known;

export interface OpenSession {
  readonly companyId: string;
  readonly id: string;
  readonly userId: string;
  readonly personId: string;
  readonly name: string;
  readonly role: string;
  readonly kind: string | null;
  readonly permissions: readonly Permission[];
  readonly discount: string | null;
  /** Seen within five minutes. */
  readonly seenLately: boolean;
}

/** The session with this hash that is open at a moment, of a person who may sign in. */
export const findSession = (hash: string, now: Date) =>
  one<OpenSession>(
    sql`select company_id as "companyId", id, user_id as "userId", person_id as "personId", name, role, kind, permissions,
          discount, seen_lately as "seenLately" from find_session(${hash}, ${now.toISOString()}::timestamptz)`,
  );

/** The token of another program with this hash that is open at a moment, of a person who may sign in. */
export const findApiToken = (hash: string, now: Date) =>
  one<
    Omit<OpenSession, 'seenLately'> & {
      readonly given: readonly Permission[];
      /** What the program is called. */
      readonly via: string;
      readonly usedLately: boolean;
    }
  >(
    sql`select company_id as "companyId", id, user_id as "userId", person_id as "personId", name, role, kind, permissions,
          discount, given, via, used_lately as "usedLately" from find_api_token(${hash}, ${now.toISOString()}::timestamptz)`,
  );

export interface FoundLink {
  readonly companyId: string;
  readonly id: string;
  readonly proposalId: string;
  readonly expiresAt: Date;
  readonly revoked: boolean;
}

/** The private link with this hash, also when it is over. */
export async function findLink(hash: string): Promise<FoundLink | null> {
  const found = await one<Omit<FoundLink, 'expiresAt'> & { expiresAt: string }>(
    sql`select company_id as "companyId", id, proposal_id as "proposalId", revoked,
          to_char(expires_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "expiresAt"
        from find_link(${hash})`,
  );
  return found && { ...found, expiresAt: new Date(found.expiresAt) };
}

/** Whose a signed statement is, by its SHA-256. */
export const companyOfSigning = async (sha256: string) =>
  (await one<{ id: string | null }>(sql`select company_of_signing(${sha256}) as id`))!.id;

/** Whose a letter is that came back; null when it is no company's. */
export const companyOfLetter = async (id: string) =>
  (await one<{ id: string | null }>(sql`select company_of_letter(${id}) as id`))!.id;

/** The companies that want reminders to be sent by themselves. */
export const companiesThatRemind = async (): Promise<string[]> =>
  beforeCompany(async (tx) =>
    (await tx.execute<{ id: string }>(sql`select id from companies_that_remind() as id`)).rows.map(
      ({ id }) => id,
    ),
  );

/** Whether no company is set up yet. */
export const hasNoCompany = async () =>
  !(await one<{ there: boolean }>(sql`select has_company() as there`))!.there;

/** Whether a demo is here: what is set up beside it belongs to it. */
export const hasDemo = async () => (await one<{ there: boolean }>(sql`select has_demo() as there`))!.there;

export interface FoundInvitation {
  readonly companyId: string;
  readonly id: string;
  readonly company: string;
  readonly inviter: string;
  readonly role: string;
  readonly email: string;
  readonly name: string;
  /** Who signs in with that address already, in whichever company. */
  readonly personId: string | null;
  readonly expiresAt: string;
  readonly over: 'accepted' | 'revoked' | null;
}

/** The invitation with this hash, also when it is over. */
export const findInvitation = (hash: string) =>
  one<FoundInvitation>(
    sql`select company_id as "companyId", id, company, inviter, role, email, name, person_id as "personId", over,
          to_char(expires_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "expiresAt"
        from find_invitation(${hash})`,
  );

/** Whose password a link sets anew, when it may still be used. */
export const findEmailLink = (hash: string, now: Date) =>
  one<{ personId: string; email: string; was: string; name: string }>(
    sql`select person_id as "personId", email, was, name from find_email_link(${hash}, ${now.toISOString()}::timestamptz)`,
  );

/** Whose password a link sets anew that is not over. */
export const findPasswordLink = (hash: string, now: Date) =>
  one<{ personId: string; email: string; name: string }>(
    sql`select person_id as "personId", email, name from find_password_link(${hash}, ${now.toISOString()}::timestamptz)`,
  );
