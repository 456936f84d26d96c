import { endSessionsOfPerson, personById, secretsOfPerson, updatePerson } from '@/data/accounts/person';
import { clearAttempts } from '@/data/attempts';
import { asPerson, beforeCompany, inCompany } from '@/data/connection';
import type { Actor } from '../actor';
import { recordAudit } from '../actor';
import { checkText } from '../check';
import { takeTry } from '../limit';
import { Problem } from '../problem';
import { tokenHash } from '../secrets';
import { hashPassword, passwordMatches, refusePoorPassword } from './password';

const TRIES = 8;

/**
 * Refuses what is not the person's own password: what changes how they sign in asks for it again.
 * @throws Problem `password-wrong`
 */
export async function refuseWrongPassword(personId: string, password: unknown, now: Date): Promise<void> {
  const typed = checkText(password, 200, 'The password');
  const bucket = `password:${personId}`;
  await takeTry(bucket, TRIES, now);
  const secrets = await asPerson(personId, secretsOfPerson);
  if (!(await passwordMatches(secrets?.passwordHash ?? null, typed)))
    throw new Problem('password-wrong', 'That is not your password as it is now.');
  await beforeCompany((tx) => clearAttempts(tx, bucket));
}

/**
 * Changes one's own password; all other sessions end.
 * @param token of the session it is changed in, which stays
 */
export async function changePassword(
  actor: Actor,
  input: { readonly now: unknown; readonly next: unknown },
  token: string,
): Promise<void> {
  const { personId } = actor;
  await refuseWrongPassword(personId, input.now, actor.now);
  const next = checkText(input.next, 400, 'The password');
  const [known] = await asPerson(personId, (tx) => personById(tx, personId));
  refusePoorPassword(next, [known!.name, known!.email]);
  const passwordHash = await hashPassword(next);
  await asPerson(personId, async (tx) => {
    await updatePerson(tx, personId, { passwordHash });
    await endSessionsOfPerson(tx, tokenHash(token), actor.now);
  });
  await inCompany(actor, (tx) => recordAudit(tx, actor, 'password changed', actor.userId));
}
