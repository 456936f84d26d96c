import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import type { Actor } from '@/services/actor';
import { actorOf } from '@/services/accounts/session';
import { originOf, peerHeader, trustedProxies } from '@/services/origin';
import { Problem } from '@/services/problem';

export const sessionCookie = 'impegno-session';
/** Remembers who signed in here, so that others' guessing does not keep them out. It opens nothing. */
export const deviceCookie = 'impegno-device';

/** Who is signed in, or null. */
export async function currentActor(): Promise<Actor | null> {
  return actorOf((await cookies()).get(sessionCookie)?.value, new Date());
}

/** Who is signed in; a page sends everyone else to sign in. */
export async function pageActor(): Promise<Actor> {
  const actor = await currentActor();
  if (!actor) redirect('/sign-in');
  return actor;
}

/**
 * Who is signed in; an action or a route refuses everyone else.
 * @throws Problem `session-over`
 */
export async function actionActor(): Promise<Actor> {
  const actor = await currentActor();
  if (!actor)
    throw new Problem('session-over', 'Your session is over. Sign in again; nothing you see here is lost.');
  return actor;
}

/** The nonce of this request's content security policy. */
export async function requestNonce(): Promise<string | undefined> {
  return (await headers()).get('x-nonce') ?? undefined;
}

/** From where a request without an account comes, for limiting tries. */
export async function requestOrigin(): Promise<string> {
  const given = await headers();
  return originOf(given.get(peerHeader) ?? 'direct', given.get('x-forwarded-for'), trustedProxies());
}
