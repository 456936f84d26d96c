'use server';

import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { switchCompany } from '@/services/entering/companies';
import { sendPasswordLink, setPasswordByLink } from '@/services/entering/forgotten';
import { joinAsKnown, joinAsNew } from '@/services/entering/join';
import { askForEmail, takeEmailByLink } from '@/services/entering/ownEmail';
import { putHintAway } from '@/services/help/hints';
import { changePassword } from '@/services/accounts/ownPassword';
import {
  beginSecondStep,
  confirmSecondStep,
  endSecondStep,
  renewRecoveryCodes,
} from '@/services/accounts/secondStep';
import { revokeSession, signOut } from '@/services/accounts/session';
import { setUp, setUpAnother } from '@/services/entering/setUp';
import { signIn, signInWithCode } from '@/services/entering/signIn';
import { endOtherSessions } from '@/services/people/people';
import { answer } from '@/services/problem';
import {
  actionActor,
  currentActor,
  deviceCookie,
  keepSession,
  requestBrowser,
  requestOrigin,
  sessionCookie,
  sessionToken,
} from './session';

/* Doors of one's own account: in, out, and how one comes in. */

/** Where signing in leads to: a place of ours that was asked for, or Today. */
const wayOn = (to: unknown): string =>
  typeof to === 'string' && /^\/join\/[\w-]{1,100}$/.test(to) ? to : '/today';

export async function signInAction(input: { email: string; password: string; to?: string }) {
  const where = await requestBrowser();
  const device = (await cookies()).get(deviceCookie)?.value;
  const given = await answer(async () =>
    signIn({ email: input?.email, password: input?.password, browser: where.browser }, new Date(), {
      from: where.from,
      device,
    }),
  );
  if (!given.ok) return given;
  if ('ticket' in given.value) return { ok: true as const, value: given.value };
  await keepSession(given.value);
  redirect(wayOn(input?.to));
}

export async function signInWithCodeAction(input: { ticket: string; code: string; to?: string }) {
  const { browser, from } = await requestBrowser();
  const given = await answer(async () =>
    signInWithCode({ ticket: input?.ticket, code: input?.code, browser }, new Date(), {
      from,
      device: undefined,
    }),
  );
  if (!given.ok) return given;
  await keepSession(given.value);
  redirect(wayOn(input?.to));
}

export async function signOutAction() {
  const token = await sessionToken();
  if (token) await signOut(token, new Date());
  (await cookies()).delete(sessionCookie);
  redirect('/sign-in');
}

export const sendPasswordLinkAction = async (email: unknown) =>
  answer(async () => sendPasswordLink({ email }, await requestOrigin(), new Date()));

export const setPasswordByLinkAction = async (token: unknown, password: unknown) =>
  answer(async () => setPasswordByLink(String(token), password, new Date()));

export async function joinAsNewAction(token: unknown, input: unknown) {
  const given = await answer(async () => joinAsNew(String(token), input, await requestBrowser(), new Date()));
  if (!given.ok) return given;
  await keepSession(given.value);
  redirect('/today');
}

export async function joinAsKnownAction(token: unknown) {
  const given = await answer(async () =>
    joinAsKnown(String(token), await currentActor(), await requestBrowser(), new Date()),
  );
  if (!given.ok) return given;
  await keepSession(given.value);
  redirect('/today');
}

/** Sets the first company up, and signs its owner in. */
export async function setUpAction(input: unknown) {
  const given = await answer(async () => setUp(input, await requestBrowser(), new Date()));
  if (!given.ok) return given;
  await keepSession(given.value);
  redirect('/today');
}

/** One more company of somebody's own. */
export async function setUpAnotherAction(input: unknown) {
  const given = await answer(async () => setUpAnother(await actionActor(), input, await requestBrowser()));
  if (!given.ok) return given;
  await keepSession(given.value);
  return { ok: true as const, value: null };
}

/** The one the browser held before is told apart by where it leads: the desk is read anew. */
export async function switchCompanyAction(id: unknown) {
  const given = await answer(async () =>
    switchCompany(await actionActor(), id, await sessionToken(), await requestBrowser()),
  );
  if (!given.ok) return given;
  await keepSession(given.value);
  return { ok: true as const, value: null };
}

export const changePasswordAction = async (now: unknown, next: unknown) =>
  answer(async () => changePassword(await actionActor(), { now, next }, await sessionToken()));

export const putHintAwayAction = async (which: unknown) =>
  answer(async () => putHintAway(await actionActor(), which));

export const askForEmailAction = async (email: unknown, password: unknown) =>
  answer(async () => askForEmail(await actionActor(), { email, password }));

export const takeEmailByLinkAction = async (token: unknown) =>
  answer(async () => takeEmailByLink(String(token), new Date()));

export const beginSecondStepAction = async (password: unknown) =>
  answer(async () => beginSecondStep(await actionActor(), password));

export const confirmSecondStepAction = async (code: unknown) =>
  answer(async () => confirmSecondStep(await actionActor(), code, await sessionToken()));

export const endSecondStepAction = async (password: unknown) =>
  answer(async () => endSecondStep(await actionActor(), password));

export const renewRecoveryCodesAction = async (password: unknown) =>
  answer(async () => renewRecoveryCodes(await actionActor(), password));

export const revokeSessionAction = async (id: string) =>
  answer(async () => revokeSession(await actionActor(), id));

export const endOtherSessionsAction = async () =>
  answer(async () => endOtherSessions(await actionActor(), await sessionToken()));
