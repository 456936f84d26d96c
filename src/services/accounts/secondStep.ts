import { randomInt } from 'node:crypto';
import { toDataURL } from 'qrcode';
import { generateSecret, generateSync, generateURI, verifySync } from 'otplib';
import {
  countRecoveryCodes,
  endSessionsOfPerson,
  personById,
  putRecoveryCodes,
  secretsOfPerson,
  takeTotpStep,
  updatePerson,
  takeRecoveryCode,
} from '@/data/accounts/person';
import { clearAttempts } from '@/data/attempts';
import type { Transaction } from '@/data/connection';
import { asPerson, beforeCompany, inCompany } from '@/data/connection';
import type { Actor } from '../actor';
import { recordAudit } from '../actor';
import { checkText } from '../check';
import { takeTry } from '../limit';
import { Problem } from '../problem';
import { seal, unseal } from '../seal';
import { sha256, tokenHash } from '../secrets';
import { refuseWrongPassword } from './ownPassword';

/*
 * The second step of signing in: a code of six digits that an authenticator makes from a shared secret and the time (TOTP,
 * RFC 6238, with SHA-1 and steps of 30 seconds, which every authenticator knows), or a recovery code from paper.
 */

const STEP = 30;
const CODES = 10;
const TRIES = 8;
/** A clock may be one step off, either way. */
const DRIFT = STEP;

const placeOf = (personId: string) => `authenticator of ${personId}`;

/** A recovery code without what people write between. */
const plain = (code: string) => code.toLowerCase().replace(/[^a-z0-9]/g, '');

const recoveryHash = (personId: string, code: string) => sha256(`${personId} ${plain(code)}`);

/** The step of time a right code belongs to, or null. @param code six digits */
export function stepOf(secret: string, code: string, now: Date): number | null {
  const epoch = Math.floor(now.getTime() / 1000);
  const found = verifySync({ secret, token: code, epoch, epochTolerance: DRIFT });
  return found.valid ? Math.floor(epoch / STEP) + found.delta : null;
}

/** The code of a moment, as an authenticator makes it. */
export const codeAt = (secret: string, now: Date): string =>
  generateSync({ secret, epoch: Math.floor(now.getTime() / 1000) });

/** Whether a code is right; one that is right is used up. */
async function takeCode(tx: Transaction, personId: string, code: string, now: Date): Promise<boolean> {
  const secrets = await secretsOfPerson(tx);
  const secret = secrets?.totp ? unseal(secrets.totp, placeOf(personId)) : null;
  const digits = code.replace(/\s/g, '');
  if (/^\d{6}$/.test(digits)) {
    const step = secret === null ? null : stepOf(secret, digits, now);
    return step !== null && (await takeTotpStep(tx, personId, step));
  }
  return (await takeRecoveryCode(tx, personId, recoveryHash(personId, code), now)).length > 0;
}

/**
 * Refuses a code that is wrong, or was used; eight wrong ones in a quarter of an hour close it for a while.
 * @throws Problem `code-refused`
 */
export async function refuseWrongCode(personId: string, code: string, now: Date): Promise<void> {
  const bucket = `code:${personId}`;
  await takeTry(bucket, TRIES, now);
  if (!(await asPerson(personId, (tx) => takeCode(tx, personId, code, now))))
    throw new Problem(
      'code-refused',
      'That code is not right, or was used already. Wait for the next one, or use a recovery code.',
    );
  await beforeCompany((tx) => clearAttempts(tx, bucket));
}

/** What an authenticator is set up with; nothing is asked for until a code of it was shown. */
export interface Authenticator {
  /** For typing it in by hand (base 32). */
  readonly secret: string;
  /** For scanning it: an address that authenticators read. */
  readonly address: string;
  /** The address as a picture (a QR code, ISO/IEC 18004), in line. */
  readonly picture: string;
}

/**
 * Begins an authenticator. It counts once a code of it was typed; until then signing in is as before.
 * @throws Problem `password-wrong`, `second-step-there`
 */
export async function beginSecondStep(actor: Actor, password: unknown): Promise<Authenticator> {
  const { personId } = actor;
  await refuseWrongPassword(personId, password, actor.now);
  const secret = generateSecret();
  return asPerson(personId, async (tx) => {
    const [known] = await personById(tx, personId);
    if (known!.totpSince) throw new Problem('second-step-there', 'Your authenticator is set up already.');
    await updatePerson(tx, personId, { totp: seal(secret, placeOf(personId)), totpStep: null });
    const address = generateURI({ issuer: 'Impegno', label: known!.email, secret });
    return { secret, address, picture: await toDataURL(address, { margin: 2, width: 400 }) };
  });
}

/** Letters and digits that are not taken for each other. */
const letters = 'abcdefghjkmnpqrstuvwxyz23456789';
const newRecoveryCode = () => {
  const text = Array.from({ length: 10 }, () => letters[randomInt(letters.length)]).join('');
  return `${text.slice(0, 5)}-${text.slice(5)}`;
};

async function newRecoveryCodes(tx: Transaction, personId: string): Promise<string[]> {
  const codes = Array.from({ length: CODES }, newRecoveryCode);
  await putRecoveryCodes(
    tx,
    personId,
    codes.map((code) => recoveryHash(personId, code)),
  );
  return codes;
}

/**
 * From now on a code is asked for; other sessions end. Returns the recovery codes, which are shown this once.
 * @throws Problem `code-refused`, `second-step-there`
 */
export async function confirmSecondStep(actor: Actor, code: unknown, token: string): Promise<string[]> {
  const { personId, now } = actor;
  const typed = checkText(code, 40, 'The code');
  const bucket = `code:${personId}`;
  await takeTry(bucket, TRIES, now);
  const codes = await asPerson(personId, async (tx) => {
    const [known] = await personById(tx, personId);
    if (known!.totpSince) throw new Problem('second-step-there', 'Your authenticator is set up already.');
    if (!/^\s*\d{3}\s*\d{3}\s*$/.test(typed) || !(await takeCode(tx, personId, typed, now)))
      throw new Problem('code-refused', 'That is not the code your authenticator shows now.');
    await updatePerson(tx, personId, { totpSince: now });
    await endSessionsOfPerson(tx, tokenHash(token), now);
    return newRecoveryCodes(tx, personId);
  });
  await beforeCompany((tx) => clearAttempts(tx, bucket));
  await inCompany(actor, (tx) => recordAudit(tx, actor, 'second step set up', actor.userId));
  return codes;
}

/** No code is asked for any more. @throws Problem `password-wrong` */
export async function endSecondStep(actor: Actor, password: unknown): Promise<void> {
  const { personId, now } = actor;
  await refuseWrongPassword(personId, password, now);
  await asPerson(personId, async (tx) => {
    await updatePerson(tx, personId, { totp: null, totpSince: null, totpStep: null });
    await putRecoveryCodes(tx, personId, []);
  });
  await inCompany(actor, (tx) => recordAudit(tx, actor, 'second step ended', actor.userId));
}

/** New recovery codes instead of the old. @throws Problem `password-wrong`, `second-step-not-there` */
export async function renewRecoveryCodes(actor: Actor, password: unknown): Promise<string[]> {
  const { personId, now } = actor;
  await refuseWrongPassword(personId, password, now);
  return asPerson(personId, async (tx) => {
    const [known] = await personById(tx, personId);
    if (!known!.totpSince) throw new Problem('second-step-not-there', 'Set up an authenticator first.');
    return newRecoveryCodes(tx, personId);
  });
}

/** How somebody signs in: with which address, whether a code is asked for, and how many recovery codes are left. */
export const readOwnSignIn = (actor: Actor) =>
  asPerson(actor.personId, async (tx) => {
    const [known] = await personById(tx, actor.personId);
    return {
      email: known!.email,
      secondSince: known!.totpSince?.toISOString() ?? null,
      codesLeft: await countRecoveryCodes(tx, actor.personId),
    };
  });
