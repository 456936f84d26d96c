import type { PeopleView, sessionsOf } from '@/services/people/people';
import type { Answer } from '@/model';

export type PersonView = PeopleView['people'][number];
export type RoleView = PeopleView['roles'][number];
export type InvitationView = PeopleView['invitations'][number];
export type SessionView = Awaited<ReturnType<typeof sessionsOf>>[number];

/** What can be done about people. */
export interface PeopleActions {
  readonly invite: (input: unknown) => Promise<Answer<{ id: string; address: string }>>;
  readonly showInvitation: (id: string) => Promise<Answer<{ address: string }>>;
  readonly revokeInvitation: (id: string) => Promise<Answer<void>>;
  readonly giveRole: (input: unknown) => Promise<Answer<void>>;
  readonly rename: (input: unknown) => Promise<Answer<void>>;
  readonly deactivate: (input: unknown) => Promise<Answer<{ handedOver: number }>>;
  readonly reactivate: (id: string) => Promise<Answer<void>>;
  readonly handOver: (input: unknown) => Promise<Answer<{ handedOver: number }>>;
  readonly sessionsOf: (id: string) => Promise<Answer<SessionView[]>>;
  readonly endSession: (input: unknown) => Promise<Answer<void>>;
  readonly saveRole: (input: unknown) => Promise<Answer<{ id: string }>>;
  readonly removeRole: (id: string) => Promise<Answer<void>>;
}
