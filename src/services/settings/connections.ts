import { inCompany } from '@/data/connection';
import { countDeliveries, findLastDelivery } from '@/data/messages/delivery';
import { personById } from '@/data/accounts/person';
import { companyOf } from '@/data/settings/company';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { carrierOf } from '../carrier';
import { postLetter } from '../post';

/** How the company's letters leave the house, and how it goes. */
export interface MailConnection {
  /** The carrier's name; null: letters are read in the outbox, none leaves. */
  readonly carrier: string | null;
  readonly waiting: number;
  readonly failed: number;
  readonly returned: number;
  /** The last one a carrier took, an instant as ISO 8601 text. */
  readonly lastSent: string | null;
  /** What a carrier said of one that it would not take, last. */
  readonly lastTrouble: string | null;
}

/** What the company is connected with. */
export async function readConnections(actor: Actor): Promise<{ readonly mail: MailConnection }> {
  allow(actor, 'settings');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const [sent] = await findLastDelivery(tx, true);
    const [trouble] = await findLastDelivery(tx, false);
    return {
      mail: {
        carrier: carrierOf(ours)?.name ?? null,
        ...(await countDeliveries(tx)),
        lastSent: sent?.at?.toISOString() ?? null,
        lastTrouble: trouble?.note ?? null,
      },
    };
  });
}

/** Sends a letter to oneself, to see that letters arrive. @returns where it goes */
export async function sendTrialLetter(actor: Actor): Promise<{ readonly to: string }> {
  allow(actor, 'settings');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const to = (await personById(tx, actor.personId))[0]!.email;
    await postLetter(tx, actor, {
      proposalId: null,
      kind: 'trial',
      to,
      subject: `Letters of ${ours.name} arrive`,
      body: `Hello ${actor.name},\n\nyou asked for this letter to see that letters of ${ours.name} arrive. ${ours.email === '' ? 'The company has no mail address of its own yet; customers could not answer.' : `An answer to it goes to ${ours.email}.`}`,
    });
    return { to };
  });
}
