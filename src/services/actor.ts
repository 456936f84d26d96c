import { randomInt } from 'node:crypto';
import { v7 } from 'uuid';
import type { Transaction } from '@/data/connection';
import { plusDays } from '@/core/calendar';
import { audit } from '@/data/schema';
import { Problem } from './problem';

export type Role = 'owner' | 'seller' | 'office';

/** Who acts, for which company, when. The clock comes in here and nowhere else. */
export interface Actor {
  readonly companyId: string;
  readonly userId: string;
  readonly name: string;
  readonly role: Role;
  readonly now: Date;
}

/** May they? Refuses with a sentence when not. */
export function allow(actor: Actor, ...roles: Role[]): void {
  if (!may(actor, ...roles))
    throw new Problem(403, `This is for ${roles.join(' or ')}; you are signed in as ${actor.role}.`);
}

/** May they? For a screen that would otherwise offer what is refused. */
export const may = (actor: Actor, ...roles: Role[]): boolean => roles.includes(actor.role);

// Starts anywhere, so that two processes hardly ever count alike.
let made = randomInt(2 ** 31);

/** A new identity (UUIDv7, RFC 9562): ordered by time, and within one moment by the order they were made in. */
export function newId(now: Date): string {
  made = (made + 1) >>> 0;
  return v7({ msecs: now.getTime(), seq: made });
}

/** Notes who did what, in the same transaction. */
export async function recordAudit(
  tx: Transaction,
  who: { readonly companyId: string; readonly userId: string | null; readonly now: Date },
  act: string,
  subject: string,
  detail: Record<string, unknown> = {},
): Promise<void> {
  await tx.insert(audit).values({
    companyId: who.companyId,
    id: newId(who.now),
    at: who.now,
    userId: who.userId,
    act,
    subject,
    detail,
  });
}

/** The business date at an instant in a time zone, as YYYY-MM-DD. */
export function businessDate(now: Date, timeZone: string): string {
  return new Intl.DateTimeFormat('en-CA', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).format(now);
}

/** A business date some days later. */
export const daysAfter = plusDays;
