import Type from 'typebox';
import {
  endWebhookById,
  findFailedNews,
  findWebhookMessages,
  findWebhooks,
  insertWebhook,
  openWebhook,
  sendNews,
  updateNews,
} from '@/data/access/webhook';
import { inCompany } from '@/data/connection';
import { putInQueue, takeFromQueue } from '@/data/queue/queue';
import type { WebhookEvent } from '@/model/webhookEvents';
import { webhookEventNames } from '@/model/webhookEvents';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { noSuch, Problem } from '../problem';
import { seal } from '../seal';
import { newToken } from '../secrets';

/** So many doors can be open at a time. */
const MOST = 20;
/** So much of what was sent is told, and put back at once. */
const TOLD = 50;

export const WebhookInput = Type.Object(
  {
    address: Type.String({ minLength: 8, maxLength: 500, description: 'Where it goes: https' }),
    events: Type.Array(Type.Unsafe<WebhookEvent>({ enum: [...webhookEventNames] }), {
      minItems: 1,
      uniqueItems: true,
      description: 'Which news',
    }),
  },
  { additionalProperties: false },
);

/** Where news goes, as it is shown: its secret never. Instants as ISO 8601 text. */
export interface ShownWebhook {
  readonly id: string;
  readonly address: string;
  readonly events: readonly string[];
  readonly by: string;
  readonly createdAt: string;
  readonly waiting: number;
  readonly failed: number;
}

export async function listWebhooks(actor: Actor): Promise<readonly ShownWebhook[]> {
  allow(actor, 'settings');
  return inCompany(actor, async (tx) =>
    (await findWebhooks(tx)).map(({ createdAt, ...row }) => ({
      ...row,
      createdAt: createdAt.toISOString(),
    })),
  );
}

/**
 * An address as it can be asked: no name and password in it, no place within.
 * @throws Problem `address-wrong`
 */
function checkAddress(given: string): string {
  const url = URL.canParse(given.trim()) ? new URL(given.trim()) : null;
  if (
    !url ||
    !/^https?:$/.test(url.protocol) ||
    url.username !== '' ||
    url.password !== '' ||
    url.hash !== ''
  )
    throw new Problem(
      'address-wrong',
      'This is the address of a door of another program, as https://books.firm.example/impegno.',
      { errors: [{ pointer: '/address', detail: 'is no address of that kind' }] },
    );
  return url.toString();
}

/**
 * Sends news to another program from now on. Its secret is told once, here.
 * @throws Problem `address-wrong`, `too-many-webhooks`
 */
export async function addWebhook(
  actor: Actor,
  input: unknown,
): Promise<{ readonly id: string; readonly secret: string }> {
  allow(actor, 'settings');
  const { address: given, events } = check(WebhookInput, input, 'What goes there');
  const address = checkAddress(given);
  const secret = newToken();
  const id = newId(actor.now);
  return inCompany(actor, async (tx) => {
    if ((await findWebhooks(tx)).length >= MOST)
      throw new Problem(
        'too-many-webhooks',
        `News goes to ${MOST} places. End one that is not needed first.`,
      );
    await insertWebhook(tx, {
      ...{ companyId: actor.companyId, id, userId: actor.userId, address, events },
      sealedSecret: seal(secret, id),
      createdAt: actor.now,
    });
    await recordAudit(tx, actor, 'webhook set up', id, { address, events });
    return { id, secret };
  });
}

/**
 * Sends no more news there.
 * @throws Problem `no-such-webhook`
 */
export async function endWebhook(actor: Actor, id: unknown): Promise<void> {
  allow(actor, 'settings');
  const webhookId = checkId(id, 'webhook');
  await inCompany(actor, async (tx) => {
    const [ended] = await endWebhookById(tx, webhookId, actor.now);
    if (!ended) throw noSuch('webhook');
    await recordAudit(tx, actor, 'webhook ended', webhookId, { address: ended.address });
  });
}

/**
 * What was sent there lately, the newest first; instants as ISO 8601 text.
 * @throws Problem `no-such-webhook`
 */
export async function readWebhookNews(actor: Actor, id: unknown) {
  allow(actor, 'settings');
  const webhookId = checkId(id, 'webhook');
  return inCompany(actor, async (tx) =>
    (await findWebhookMessages(tx, webhookId, TOLD)).map(({ at, ...row }) => ({
      ...row,
      at: at.toISOString(),
    })),
  );
}

export type WebhookNews = Awaited<ReturnType<typeof readWebhookNews>>;

/**
 * Sends something there to see that it arrives.
 * @throws Problem `no-such-webhook`
 */
export async function tryWebhook(actor: Actor, id: unknown): Promise<void> {
  allow(actor, 'settings');
  const webhookId = checkId(id, 'webhook');
  await inCompany(actor, async (tx) => {
    const [found] = await openWebhook(tx, webhookId);
    if (!found) throw noSuch('webhook');
    await sendNews(tx, actor, webhookId, { event: 'trial', subject: webhookId });
  });
}

/**
 * Sends again what could not be sent there, up to some dozens. @returns how many
 * @throws Problem `no-such-webhook`
 */
export async function sendNewsAgain(actor: Actor, id: unknown): Promise<{ readonly sent: number }> {
  allow(actor, 'settings');
  const webhookId = checkId(id, 'webhook');
  return inCompany(actor, async (tx) => {
    const [found] = await openWebhook(tx, webhookId);
    if (!found) throw noSuch('webhook');
    const failed = await findFailedNews(tx, webhookId, TOLD);
    for (const { id: messageId } of failed) {
      await updateNews(tx, messageId, { state: 'waiting', note: '', tries: 0, settledAt: null });
      await takeFromQueue(tx, 'webhook', messageId);
      await putInQueue(tx, 'webhook', messageId, { companyId: actor.companyId, messageId });
    }
    return { sent: failed.length };
  });
}
