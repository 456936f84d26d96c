import { plusDays } from '@/core/calendar';
import type { Sender } from '@/core/range';
import type { Permission } from '@/model';
import { permissionKeys, permissions, withNeeded } from '@/model';
import { Problem } from './problem';

/** Who acts, for which company, when. The clock comes in here and nowhere else. */
export interface Actor {
  readonly companyId: string;
  readonly userId: string;
  readonly personId: string;
  readonly name: string;
  /** What their role is called. */
  readonly role: string;
  readonly isOwner: boolean;
  readonly permissions: readonly Permission[];
  /** The most their role may take off without approval, in percent; null: as the company says. */
  readonly discount: string | null;
  /** The program that acts in their name, by its token. */
  readonly via?: string;
  readonly now: Date;
}

/** Who acts, from what is kept of them and their role. The owner has what there is; a role has what its permissions need. */
export const actorFrom = (
  known: Pick<Actor, 'companyId' | 'userId' | 'personId' | 'name' | 'role' | 'permissions' | 'discount'> & {
    readonly kind: string | null;
  },
  now: Date,
): Actor => {
  const { kind, ...rest } = known;
  const isOwner = kind === 'owner';
  return { ...rest, isOwner, permissions: isOwner ? permissionKeys : withNeeded(known.permissions), now };
};

const nameOf = (wanted: Permission) => permissions.find(({ key }) => key === wanted)!.name;

/**
 * May they? Refuses with a sentence when not.
 * @param any any of these lets them
 * @throws Problem `role-not-allowed`
 */
export function allow(actor: Actor, ...any: Permission[]): void {
  if (!may(actor, ...any))
    throw new Problem(
      'role-not-allowed',
      `This needs “${any.map(nameOf).join('” or “')}”, which your role (${actor.role}) does not have. Who manages people can give it.`,
    );
}

/** May they? For a screen that would otherwise offer what is refused. */
export const may = (actor: Actor, ...any: Permission[]): boolean =>
  any.some((each) => actor.permissions.includes(each));

/** What of a company's limits binds somebody: the most they take off, and whether each offer of theirs waits for a yes. */
export const senderOf = (actor: Actor): Sender => ({
  discount: may(actor, 'approve') ? 'any' : actor.discount,
  alone: may(actor, 'approve', 'send'),
});

export { businessDate } from '@/core/calendar';
export { recordAudit } from '@/data/history/recordAudit';
export { newId } from '@/data/newId';

/** A business date some days later. */
export const daysAfter = plusDays;
