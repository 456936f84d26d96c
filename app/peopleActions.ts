'use server';

import { invite, revokeInvitation, showInvitation } from '@/services/people/invite';
import {
  deactivate,
  endSessionOf,
  giveRole,
  handWorkOver,
  reactivate,
  renamePerson,
  sessionsOf,
} from '@/services/people/people';
import { changeSeller, listSellers } from '@/services/people/changeSeller';
import { removeRole, saveRole } from '@/services/people/roles';
import { answer } from '@/services/problem';
import { actionActor } from './session';

/* Doors to who works here and what each may do. */

export const inviteAction = async (input: unknown) => answer(async () => invite(await actionActor(), input));

export const showInvitationAction = async (id: string) =>
  answer(async () => showInvitation(await actionActor(), id));

export const revokeInvitationAction = async (id: string) =>
  answer(async () => revokeInvitation(await actionActor(), id));

export const giveRoleAction = async (input: unknown) =>
  answer(async () => giveRole(await actionActor(), input));

export const renamePersonAction = async (input: unknown) =>
  answer(async () => renamePerson(await actionActor(), input));

export const deactivateAction = async (input: unknown) =>
  answer(async () => deactivate(await actionActor(), input));

export const reactivateAction = async (id: string) => answer(async () => reactivate(await actionActor(), id));

export const handWorkOverAction = async (input: unknown) =>
  answer(async () => handWorkOver(await actionActor(), input));

export const sessionsOfAction = async (id: string) => answer(async () => sessionsOf(await actionActor(), id));

export const endSessionOfAction = async (input: unknown) =>
  answer(async () => endSessionOf(await actionActor(), input));

export const saveRoleAction = async (input: unknown) =>
  answer(async () => saveRole(await actionActor(), input));

export const removeRoleAction = async (id: string) => answer(async () => removeRole(await actionActor(), id));

export const listSellersAction = async () => answer(async () => listSellers(await actionActor()));

export const changeSellerAction = async (input: unknown) =>
  answer(async () => changeSeller(await actionActor(), input));
