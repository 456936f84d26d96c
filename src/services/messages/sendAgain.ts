import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { findFailedLetters, updateDelivery } from '@/data/messages/delivery';
import { putInQueue, takeFromQueue } from '@/data/queue/queue';
import { EntityId } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check } from '../check';
import { Problem } from '../problem';

/** So many go back in the post at once. */
const MOST = 500;

/** Puts a letter back in the post. @returns whether it was one that no carrier would have */
async function postAgain(tx: Transaction, actor: Actor, id: string): Promise<boolean> {
  const again = { state: 'waiting' as const, note: '', tries: 0, settledAt: null };
  if ((await updateDelivery(tx, id, ['failed'], again)).length === 0) return false;
  await takeFromQueue(tx, 'letter', id);
  await putInQueue(tx, 'letter', id, { companyId: actor.companyId, letterId: id });
  await recordAudit(tx, actor, 'letter sent again', id);
  return true;
}

/**
 * Puts a letter that no carrier would have back in the post.
 * @throws Problem `letter-not-failed`
 */
export async function sendLetterAgain(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'propose', 'money', 'settings');
  const id = check(EntityId, input, 'The letter');
  await inCompany(actor, async (tx) => {
    if (!(await postAgain(tx, actor, id)))
      throw new Problem('letter-not-failed', 'This letter is not one that could not be sent.');
  });
}

/** Puts every letter that no carrier would have back in the post, up to some hundreds. @returns how many */
export async function sendFailedLettersAgain(actor: Actor): Promise<{ readonly sent: number }> {
  allow(actor, 'settings');
  return inCompany(actor, async (tx) => {
    let sent = 0;
    for (const { id } of await findFailedLetters(tx, MOST)) if (await postAgain(tx, actor, id)) sent += 1;
    return { sent };
  });
}
