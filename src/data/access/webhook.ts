import { and, desc, eq, isNull, lt, ne, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { putInQueue } from '../queue/queue';
import { newId } from '../newId';
import { user, webhook, webhookMessage } from '../schema';

/** Keeps where news goes. */
export async function insertWebhook(tx: Transaction, values: typeof webhook.$inferInsert): Promise<void> {
  await tx.insert(webhook).values(values);
}

/** Where news of the company goes, the newest first, with who set it and how it went. */
export const findWebhooks = async (tx: Transaction) =>
  tx
    .select({
      id: webhook.id,
      address: webhook.address,
      events: webhook.events,
      createdAt: webhook.createdAt,
      by: user.name,
      waiting: sql<number>`(select count(*)::int from webhook_message m where m.company_id = ${webhook.companyId}
        and m.webhook_id = ${webhook.id} and m.state = 'waiting')`,
      failed: sql<number>`(select count(*)::int from webhook_message m where m.company_id = ${webhook.companyId}
        and m.webhook_id = ${webhook.id} and m.state = 'failed')`,
    })
    .from(webhook)
    .innerJoin(user, and(eq(user.companyId, webhook.companyId), eq(user.id, webhook.userId)))
    .where(isNull(webhook.endedAt))
    .orderBy(desc(webhook.createdAt));

/** What was sent there lately, the newest first. */
export const findWebhookMessages = async (tx: Transaction, webhookId: string, most: number) =>
  tx
    .select({
      id: webhookMessage.id,
      event: webhookMessage.event,
      subject: webhookMessage.subject,
      at: webhookMessage.at,
      state: webhookMessage.state,
      tries: webhookMessage.tries,
      note: webhookMessage.note,
    })
    .from(webhookMessage)
    .where(eq(webhookMessage.webhookId, webhookId))
    .orderBy(desc(webhookMessage.at), desc(webhookMessage.id))
    .limit(most);

/** Ends it; nothing where there is none, or it is ended. */
export const endWebhookById = async (tx: Transaction, id: string, now: Date) =>
  tx
    .update(webhook)
    .set({ endedAt: now })
    .where(and(eq(webhook.id, id), isNull(webhook.endedAt)))
    .returning({ id: webhook.id, address: webhook.address });

/** One that is open, by its identity. */
export const openWebhook = async (tx: Transaction, id: string) =>
  tx
    .select()
    .from(webhook)
    .where(and(eq(webhook.id, id), isNull(webhook.endedAt)));

/** A piece of news on its way to one place, in the transaction of its cause. */
export async function sendNews(
  tx: Transaction,
  { companyId, now }: { readonly companyId: string; readonly now: Date },
  webhookId: string,
  news: { readonly event: string; readonly subject: string },
): Promise<string> {
  const id = newId(now);
  await tx.insert(webhookMessage).values({ companyId, id, webhookId, ...news, at: now, state: 'waiting' });
  await putInQueue(tx, 'webhook', id, { companyId, messageId: id });
  return id;
}

/** A piece of news on its way to everyone who wants it. */
export async function tellWebhooks(
  tx: Transaction,
  who: { readonly companyId: string; readonly now: Date },
  news: { readonly event: string; readonly subject: string },
): Promise<void> {
  const wanting = await tx
    .select({ id: webhook.id })
    .from(webhook)
    .where(and(isNull(webhook.endedAt), sql`${webhook.events} ? ${news.event}`));
  for (const { id } of wanting) await sendNews(tx, who, id, news);
}

/** News that waits, held until the transaction ends, with where it goes. */
export const holdWaitingNews = async (tx: Transaction, id: string) =>
  tx
    .select({
      event: webhookMessage.event,
      subject: webhookMessage.subject,
      at: webhookMessage.at,
      webhookId: webhook.id,
      address: webhook.address,
      sealedSecret: webhook.sealedSecret,
      endedAt: webhook.endedAt,
    })
    .from(webhookMessage)
    .innerJoin(
      webhook,
      and(eq(webhook.companyId, webhookMessage.companyId), eq(webhook.id, webhookMessage.webhookId)),
    )
    .where(and(eq(webhookMessage.id, id), eq(webhookMessage.state, 'waiting')))
    .for('update', { of: webhookMessage });

/** What became of news. */
export async function updateNews(
  tx: Transaction,
  id: string,
  values: Partial<Pick<typeof webhookMessage.$inferInsert, 'state' | 'note' | 'tries' | 'settledAt'>>,
): Promise<void> {
  await tx.update(webhookMessage).set(values).where(eq(webhookMessage.id, id));
}

/** What could not be sent there, the oldest first. */
export const findFailedNews = async (tx: Transaction, webhookId: string, most: number) =>
  tx
    .select({ id: webhookMessage.id })
    .from(webhookMessage)
    .where(and(eq(webhookMessage.webhookId, webhookId), eq(webhookMessage.state, 'failed')))
    .orderBy(webhookMessage.at)
    .limit(most);

/** Clears away what was settled before a moment. */
export async function deleteNewsBefore(tx: Transaction, webhookId: string, before: Date): Promise<void> {
  await tx
    .delete(webhookMessage)
    .where(
      and(
        eq(webhookMessage.webhookId, webhookId),
        lt(webhookMessage.at, before),
        ne(webhookMessage.state, 'waiting'),
      ),
    );
}
