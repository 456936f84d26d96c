import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import type { Permission } from '@/model';
import type { Actor } from '@/services/actor';
import { may } from '@/services/actor';
import type { Browser, Opened } from '@/services/entering/openSession';
import { actorOf } from '@/services/accounts/session';
import { actorOfToken } from '@/services/access/tokens';
import { originOf, peerHeader, trustedProxies } from '@/services/origin';
import { Problem } from '@/services/problem';
import { actsAsHeader } from '@/ui/actsAsHeader';

export const sessionCookie = 'impegno-session';
/** Remembers who signed in here, so that others' guessing does not keep them out. It opens nothing. */
export const deviceCookie = 'impegno-device';

/** The token of the session of this request; empty where there is none. */
export const sessionToken = async (): Promise<string> => (await cookies()).get(sessionCookie)?.value ?? '';

/** Who is signed in, or null. */
export async function currentActor(): Promise<Actor | null> {
  return actorOf(await sessionToken(), new Date());
}

/** Whether a page asks that was opened as somebody else, or in another company, than this browser is in now. */
async function isElsewhere(actor: Actor): Promise<boolean> {
  const said = (await headers()).get(actsAsHeader);
  return said !== null && said !== '' && said !== actor.userId;
}

/**
 * Who is signed in; a page sends everyone else to sign in, and says so to whom it is not for.
 * @param any any of these opens it; none: it is for everybody of the company
 */
export async function pageActor(...any: Permission[]): Promise<Actor> {
  const actor = await currentActor();
  if (!actor) redirect('/sign-in');
  if (await isElsewhere(actor)) redirect('/elsewhere');
  if (any.length > 0 && !may(actor, ...any)) redirect('/not-yours');
  return actor;
}

/**
 * Who is signed in; an action or a route refuses everyone else.
 * @throws Problem `session-elsewhere`, `session-over`
 */
export async function actionActor(): Promise<Actor> {
  const actor = await currentActor();
  if (!actor)
    throw new Problem('session-over', 'Your session is over. Sign in again; nothing you see here is lost.');
  if (await isElsewhere(actor))
    throw new Problem(
      'session-elsewhere',
      `In another tab this browser went on as ${actor.name}, or in another company. Nothing was done. Copy what you typed, then load this page again.`,
    );
  return actor;
}

/**
 * Who asks at a door of the interface: another program with its token (`Authorization: Bearer`), or who is signed in.
 * @throws Problem `session-elsewhere`, `session-over`, `token-refused`
 */
export async function apiActor(): Promise<Actor> {
  const given = (await headers()).get('authorization');
  if (given === null) return actionActor();
  const token = /^Bearer ([\w-]{1,100})$/.exec(given)?.[1];
  const actor = token === undefined ? null : await actorOfToken(token, new Date());
  if (!actor)
    throw new Problem('token-refused', 'This token opens nothing: it is none, it ran out, or it was ended.');
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

/** The browser of this request, and where it stands. */
export async function requestBrowser(): Promise<Browser> {
  return {
    browser: ((await headers()).get('user-agent') ?? '').slice(0, 400),
    from: await requestOrigin(),
  };
}

/** Keeps a session in this browser, and that somebody signed in on it. */
export async function keepSession({ token, expiresAt }: Opened): Promise<void> {
  const store = await cookies();
  const secure = (process.env.IMPEGNO_ADDRESS ?? '').startsWith('https:');
  store.set(sessionCookie, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure,
    path: '/',
    expires: expiresAt,
  });
  store.set(deviceCookie, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure,
    path: '/sign-in',
    maxAge: 180 * 24 * 3600,
  });
}
