import { deleteNewsBefore, endWebhookById, holdWaitingNews, updateNews } from '@/data/access/webhook';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { Task } from '@/data/queue/queue';
import { companyOf } from '@/data/settings/company';
import { signedRequest } from '@/gateways/httpSignature';
import type { WebhookAnswer, WebhookPost } from '@/gateways/webhooks/webhookPost';
import { webhookEvents } from '@/model/webhookEvents';
import { recordAudit } from '../actor';
import { unseal } from '../seal';

/** The name the secret of a door goes by in a signature. */
export const KEY_ID = 'impegno-webhook';

/** What was sent is known for so long, in milliseconds. */
const KEPT = 60 * 24 * 60 * 60 * 1000;

/** The door did not take it now: the queue asks again. */
class DoorAway extends Error {}

/** Where more is to be read of what news is about; news of a trial is about nothing. */
const addressOf = (event: string, subject: string): string | null => {
  const of = webhookEvents.find(({ name }) => name === event)?.of;
  return of === undefined || of === 'library' ? null : `/api/v1/${of}/${subject}`;
};

/** What is sent: what happened to what, when; what stands in it is read with a token. */
export const newsBody = (
  id: string,
  news: { readonly event: string; readonly subject: string; readonly at: Date },
): string =>
  JSON.stringify({
    id,
    event: news.event,
    at: news.at.toISOString(),
    subject: news.subject,
    address: addressOf(news.event, news.subject),
  });

const inWords = (answer: WebhookAnswer): string =>
  answer.kind === 'answered' ? `It answered ${answer.status}.` : answer.note;

/** Signs and sends. What another installation sealed cannot be signed: that is refused. */
async function send(
  found: { readonly address: string; readonly sealedSecret: string; readonly webhookId: string },
  body: string,
  post: WebhookPost,
  now: Date,
): Promise<WebhookAnswer> {
  const secret = unseal(found.sealedSecret, found.webhookId);
  if (secret === null)
    return {
      kind: 'refused',
      note: 'Its secret was sealed with another one than there is now. Set it up anew.',
    };
  // Signed as of now, whatever was tried before: a door takes nothing that is old.
  const signed = await signedRequest(found.address, body, secret, now, KEY_ID);
  return post.deliver({ address: found.address, headers: Object.fromEntries(signed.headers), body });
}

async function carry(
  tx: Transaction,
  { id, work: { companyId }, attempt, last }: Task<'webhook'>,
  post: WebhookPost,
  now: Date,
): Promise<WebhookAnswer | null> {
  const [found] = await holdWaitingNews(tx, id);
  if (!found) return null;
  const settled = { tries: attempt, settledAt: now };
  if (found.endedAt) {
    await updateNews(tx, id, { ...settled, state: 'failed', note: 'It was ended before this went out.' });
    return null;
  }
  const { demo } = await companyOf(tx, companyId);
  if (demo) {
    await updateNews(tx, id, { ...settled, state: 'held', note: 'A demo’s news stays here.' });
    return null;
  }
  const answer = await send(found, newsBody(id, found), post, now);
  const taken = answer.kind === 'answered' && answer.status >= 200 && answer.status < 300;
  // Gone for good (RFC 9110, section 15.5.11): it wants no more.
  const gone = answer.kind === 'answered' && answer.status === 410;
  const over = taken || gone || answer.kind === 'refused' || last;
  await updateNews(tx, id, {
    state: taken ? 'delivered' : over ? 'failed' : 'waiting',
    note: inWords(answer),
    tries: attempt,
    ...(over ? { settledAt: now } : {}),
  });
  if (gone) {
    await endWebhookById(tx, found.webhookId, now);
    await recordAudit(tx, { companyId, userId: null, now }, 'webhook ended', found.webhookId, {
      address: found.address,
      reason: 'It answered that it is gone.',
    });
  }
  await deleteNewsBefore(tx, found.webhookId, new Date(now.getTime() - KEPT));
  return over ? null : answer;
}

/**
 * Brings news to another program's door. It is held meanwhile: at two places at once it goes out once; a process that dies
 * leaves it in doubt, and it goes out again under the same identity.
 * @throws DoorAway when it is to be tried again
 */
export async function deliverNews(task: Task<'webhook'>, post: WebhookPost, now: Date): Promise<void> {
  const open = await inCompany(task.work.companyId, (tx) => carry(tx, task, post, now));
  if (open) throw new DoorAway(inWords(open));
}
