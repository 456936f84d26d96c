import Type from 'typebox';
import { endApiToken, findApiTokens, insertApiToken, noteApiTokenUsed } from '@/data/access/apiToken';
import { findApiToken } from '@/data/before';
import { inCompany } from '@/data/connection';
import type { Permission } from '@/model';
import { permissionKeys, withNeeded } from '@/model';
import type { Actor } from '../actor';
import { actorFrom, allow, may, newId, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { Problem } from '../problem';
import { newToken, tokenHash } from '../secrets';

/** By this a token is known for what it is, wherever it turns up. */
const MARK = 'impegno_';
/** So many can be open at a time. */
const MOST = 50;
const DAY = 24 * 60 * 60 * 1000;

const Input = Type.Object(
  {
    name: Type.String({ minLength: 1, maxLength: 100, pattern: '\\S' }),
    permissions: Type.Array(Type.Unsafe<Permission>({ enum: [...permissionKeys] }), {
      minItems: 1,
      maxItems: permissionKeys.length,
    }),
    days: Type.Integer({ minimum: 1, maximum: 366 }),
  },
  { additionalProperties: false },
);

/** A token of the company as it is shown: never itself. Instants as ISO 8601 text. */
export interface ShownToken {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly permissions: readonly Permission[];
  readonly createdAt: string;
  readonly expiresAt: string;
  readonly lastUsedAt: string | null;
}

/** What other programs may ask with, those that ran out among them. */
export async function listTokens(actor: Actor): Promise<readonly ShownToken[]> {
  allow(actor, 'settings');
  return inCompany(actor, async (tx) =>
    (await findApiTokens(tx)).map(({ createdAt, expiresAt, lastUsedAt, ...row }) => ({
      ...row,
      createdAt: createdAt.toISOString(),
      expiresAt: expiresAt.toISOString(),
      lastUsedAt: lastUsedAt?.toISOString() ?? null,
    })),
  );
}

/**
 * Gives another program access, for some days and to do some of what one may do oneself. The token is told once, here.
 * @throws Problem `beyond-own-permissions`, `too-many-tokens`
 */
export async function giveToken(actor: Actor, input: unknown): Promise<{ readonly token: string }> {
  allow(actor, 'settings');
  const { name, permissions, days } = check(Input, input, 'The access');
  const wanted = withNeeded(permissions);
  if (wanted.some((each) => !may(actor, each)))
    throw new Problem('beyond-own-permissions', 'Nobody gives a program more than they may do themselves.');
  const token = `${MARK}${newToken()}`;
  const id = newId(actor.now);
  await inCompany(actor, async (tx) => {
    const open = (await findApiTokens(tx)).filter(({ expiresAt }) => expiresAt > actor.now);
    if (open.length >= MOST)
      throw new Problem('too-many-tokens', `${MOST} programs have access. End one that is not needed first.`);
    await insertApiToken(tx, {
      ...{ companyId: actor.companyId, id, userId: actor.userId, name: name.trim() },
      tokenHash: tokenHash(token),
      permissions: wanted,
      createdAt: actor.now,
      expiresAt: new Date(actor.now.getTime() + days * DAY),
    });
    await recordAudit(tx, actor, 'access given', id, { name: name.trim(), permissions: wanted, days });
  });
  return { token };
}

/**
 * Ends the access of another program, at once.
 * @throws Problem `no-such-token`
 */
export async function endToken(actor: Actor, id: unknown): Promise<void> {
  allow(actor, 'settings');
  const tokenId = checkId(id, 'token');
  await inCompany(actor, async (tx) => {
    const [ended] = await endApiToken(tx, tokenId, actor.now);
    if (!ended) throw new Problem('no-such-token', 'That access is not open any more.');
    await recordAudit(tx, actor, 'access ended', tokenId, { name: ended.name });
  });
}

/**
 * Who asks with a token: who gave it, with what it was given and they still may do; null for none that is open. Never an owner:
 * what only owners do, no program does.
 */
export async function actorOfToken(token: string, now: Date): Promise<Actor | null> {
  if (!token.startsWith(MARK) || token.length > 100) return null;
  const found = await findApiToken(tokenHash(token), now);
  if (!found) return null;
  const { id, usedLately, given, via, ...known } = found;
  if (!usedLately) await inCompany(found.companyId, (tx) => noteApiTokenUsed(tx, id, now));
  const who = actorFrom(known, now);
  return { ...who, isOwner: false, via, permissions: given.filter((each) => who.permissions.includes(each)) };
}
