import type { Transaction } from '../connection';
import { eventOfAct } from '@/model/webhookEvents';
import { tellWebhooks } from '../access/webhook';
import { newId } from '../newId';
import { audit } from '../schema';

/** Notes who did what, in the same transaction; and tells other programs of it, where it is news. */
export async function recordAudit(
  tx: Transaction,
  who: {
    readonly companyId: string;
    readonly userId: string | null;
    readonly via?: string;
    readonly now: Date;
  },
  act: string,
  subject: string,
  detail: Record<string, unknown> = {},
): Promise<void> {
  await tx.insert(audit).values({
    companyId: who.companyId,
    id: newId(who.now),
    at: who.now,
    userId: who.userId,
    act,
    subject,
    detail: who.via === undefined ? detail : { ...detail, via: who.via },
  });
  const event = eventOfAct(act);
  if (event) await tellWebhooks(tx, who, { event, subject });
}
