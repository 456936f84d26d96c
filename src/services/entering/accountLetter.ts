import { insertAccountLetter } from '@/data/accounts/accountLetter';
import type { Transaction } from '@/data/connection';
import { putInQueue } from '@/data/queue/queue';
import type { Letter } from '@/gateways/mail/post';
import { simulatedDelivery } from '@/gateways/mail/post';
import { newId } from '../actor';
import { carrier } from '../carrier';
import { seal } from '../seal';

/**
 * Puts a letter about somebody's way in in the post. It is no company's: nobody of a company reads it, not in the outbox
 * either. Where the post is simulated, who runs the machine reads it (`npm run letters`).
 */
export async function postAccountLetter(tx: Transaction, letter: Letter, now: Date): Promise<void> {
  const id = newId(now);
  const leaves = carrier() !== null;
  await insertAccountLetter(tx, {
    ...{ id, toAddress: letter.to, subject: letter.subject, at: now, sealed: seal(letter.body, id) },
    ...(leaves ? { state: 'waiting' as const } : simulatedDelivery(letter)),
  });
  if (leaves) await putInQueue(tx, 'account-letter', id, { letterId: id });
}
