import { plusDays } from '@/core/calendar';
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

/**
 * May they? Refuses with a sentence when not.
 * @throws Problem `role-not-allowed`
 */
export function allow(actor: Actor, ...roles: Role[]): void {
  if (!may(actor, ...roles))
    throw new Problem(
      'role-not-allowed',
      `This is for ${roles.join(' or ')}; you are signed in as ${actor.role}.`,
    );
}

/** May they? For a screen that would otherwise offer what is refused. */
export const may = (actor: Actor, ...roles: Role[]): boolean => roles.includes(actor.role);

export { businessDate } from '@/core/calendar';
export { recordAudit } from '@/data/audit';
export { newId } from '@/data/newId';

/** A business date some days later. */
export const daysAfter = plusDays;
