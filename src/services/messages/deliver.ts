import { holdWaitingAccountLetter, noteAccountLetter } from '@/data/accounts/accountLetter';
import { companyOfLetter } from '@/data/before';
import type { Transaction } from '@/data/connection';
import { beforeCompany, inCompany } from '@/data/connection';
import { findWholeAttachments, holdWaitingLetter, updateDelivery } from '@/data/messages/delivery';
import type { Task } from '@/data/queue/queue';
import { companyOf } from '@/data/settings/company';
import { readDeliveryReport } from '@/gateways/mail/deliveryReport';
import type { Delivery, OutgoingLetter, Post } from '@/gateways/mail/post';
import { CarrierAway } from '@/gateways/mail/post';
import { isId } from '@/model';
import { recordAudit } from '../actor';
import { unseal } from '../seal';

/** What a carrier made of a letter, or why it is to be tried again. */
type Outcome = Delivery | { readonly state: 'away'; readonly note: string };

async function carried(post: Post, letter: OutgoingLetter): Promise<Outcome> {
  try {
    return await post.deliver(letter);
  } catch (error) {
    if (!(error instanceof CarrierAway)) throw error;
    return { state: 'away', note: error.message };
  }
}

/** What is kept of an outcome: away is a wait, until nobody tries any more. */
const kept = ({ state, note }: Outcome, { attempt, last }: { attempt: number; last: boolean }) => ({
  state: state !== 'away' ? state : last ? ('failed' as const) : ('waiting' as const),
  note,
  tries: attempt,
});

const UNSEALED = 'It was sealed with another secret than the one there is now. Write it anew.';

/** So that the queue tries again what could not be done, after what is known of it is stored. */
function refuseAway({ state, note }: Outcome): void {
  if (state === 'away') throw new CarrierAway(note);
}

async function carryLetter(
  tx: Transaction,
  { id, work: { companyId }, ...tried }: Task<'letter'>,
  post: Post,
  now: Date,
): Promise<Outcome> {
  const [letter] = await holdWaitingLetter(tx, id);
  // Somebody else carried it.
  if (!letter) return { state: 'delivered', note: '' };
  const body = unseal(letter.sealed ?? '', id);
  const ours = await companyOf(tx, companyId);
  const outcome: Outcome =
    body === null
      ? { state: 'returned', note: UNSEALED }
      : await carried(post, {
          ...{ id, to: letter.to, subject: letter.subject, body },
          from: { name: ours.name, replyTo: ours.email },
          attachments: (await findWholeAttachments(tx, id)).flatMap(({ bytes, ...named }) =>
            bytes ? [{ ...named, bytes }] : [],
          ),
        });
  const what = kept(outcome, tried);
  const over = what.state === 'delivered' || what.state === 'returned';
  await updateDelivery(tx, id, ['waiting'], {
    ...what,
    ...(over ? { sealed: null } : {}),
    ...(what.state === 'waiting' ? {} : { settledAt: now }),
  });
  return outcome;
}

/**
 * Brings a waiting letter of a company to its carrier. The letter is held meanwhile: at two places at once it goes out once.
 * @throws CarrierAway when it is to be tried again
 */
export async function deliverLetter(task: Task<'letter'>, post: Post, now: Date): Promise<void> {
  refuseAway(await inCompany(task.work.companyId, (tx) => carryLetter(tx, task, post, now)));
}

/**
 * Brings a waiting letter about somebody's way in to its carrier.
 * @throws CarrierAway when it is to be tried again
 */
export async function deliverAccountLetter(
  { id, ...tried }: Task<'account-letter'>,
  post: Post,
): Promise<void> {
  refuseAway(
    await beforeCompany(async (tx) => {
      const [letter] = await holdWaitingAccountLetter(tx, id);
      if (!letter) return { state: 'delivered', note: '' } as const;
      const body = unseal(letter.sealed, id);
      const outcome: Outcome =
        body === null
          ? { state: 'returned', note: UNSEALED }
          : await carried(post, {
              ...{ id, to: letter.to, subject: letter.subject, body },
              ...{ from: { name: 'Impegno', replyTo: '' }, attachments: [] },
            });
      await noteAccountLetter(tx, id, kept(outcome, tried));
      return outcome;
    }),
  );
}

/**
 * Takes in what a mail server says of letters that could not be delivered after all: they came back.
 * @param raw a whole message, as the server hands it on
 * @returns how many letters of ours it was about
 */
export async function takeDeliveryReport(raw: Buffer, now: Date): Promise<number> {
  let count = 0;
  for (const { messageId, to, reason } of await readDeliveryReport(raw)) {
    const id = messageId.split('@')[0]!;
    if (!isId(id)) continue;
    const note = `It came back from ${to}: ${reason}`.slice(0, 400);
    const companyId = await companyOfLetter(id);
    const found = companyId
      ? await inCompany(companyId, async (tx) => {
          const changed = await updateDelivery(tx, id, ['delivered', 'waiting'], {
            ...{ state: 'returned', note, sealed: null, settledAt: now },
          });
          if (changed.length > 0)
            await recordAudit(tx, { companyId, userId: null, now }, 'letter came back', id, { to });
          return changed.length > 0;
        })
      : await beforeCompany((tx) => noteAccountLetter(tx, id, { state: 'returned', note, tries: 1 }));
    if (found) count += 1;
  }
  return count;
}
