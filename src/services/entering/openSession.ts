import { companiesOfPerson } from '@/data/accounts/person';
import type { OwnCompany } from '@/data/accounts/person';
import { insertSession } from '@/data/accounts/session';
import { asPerson, inCompany } from '@/data/connection';
import { newId, recordAudit } from '../actor';
import { newToken, tokenHash } from '../secrets';

export const SESSION_DAYS = 14;

/** A session as a browser keeps it. */
export interface Opened {
  readonly token: string;
  readonly expiresAt: Date;
}

/** From which browser and network a session is opened. */
export interface Browser {
  readonly browser: string;
  readonly from: string;
}

/** The companies somebody works for, the one they were in last first. */
export const companiesOf = (personId: string): Promise<OwnCompany[]> => asPerson(personId, companiesOfPerson);

/** Opens a session of a person in one of their companies. */
export async function openSession(
  { companyId, userId }: Pick<OwnCompany, 'companyId' | 'userId'>,
  { browser, from }: Browser,
  now: Date,
): Promise<Opened> {
  const token = newToken();
  const expiresAt = new Date(now.getTime() + SESSION_DAYS * 24 * 3600_000);
  await inCompany(companyId, async (tx) => {
    const id = newId(now);
    await insertSession(tx, {
      ...{ companyId, id, userId, tokenHash: tokenHash(token), browser, origin: from.slice(0, 60) },
      ...{ createdAt: now, lastSeenAt: now, expiresAt },
    });
    await recordAudit(tx, { companyId, userId, now }, 'signed in', id);
  });
  return { token, expiresAt };
}
