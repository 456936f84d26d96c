import type { WebhookPost } from '@/gateways/webhooks/webhookPost';
import { httpWebhookPost } from '@/gateways/webhooks/webhookPost';
import type { CardStandIn } from '@/gateways/cards/standIn';
import { cardStandIn } from '@/gateways/cards/standIn';
import type { Post } from '@/gateways/mail/post';
import { smtpPost } from '@/gateways/mail/smtpPost';
import { smtpSettings } from '@/gateways/mail/smtpSettings';

let known: { readonly from: string; readonly post: Post | null } | null = null;

/** Who carries letters out of the house, by the configuration; null: nobody, they are read in the outbox. */
export function carrier(): Post | null {
  const from = [
    process.env.IMPEGNO_SMTP_URL,
    process.env.IMPEGNO_MAIL_FROM,
    process.env.IMPEGNO_MAIL_RETURN,
  ].join('\n');
  if (known?.from !== from) {
    const settings = smtpSettings(process.env);
    known = { from, post: settings && smtpPost(settings) };
  }
  return known.post;
}

/** Who carries a company's letters; null: nobody. A demo's letters never leave, whatever is configured. */
export const carrierOf = ({ demo }: { readonly demo: boolean }): Post | null => (demo ? null : carrier());

/** Who brings news to other programs: over HTTPS to the open internet, or also inside this network where that is configured. */
export const webhookPost = (): WebhookPost =>
  httpWebhookPost({ inside: process.env.IMPEGNO_WEBHOOKS_INSIDE === 'yes' });

/** Who takes money from cards: a stand-in, whose secret is its own. */
export const cardService = (): CardStandIn => cardStandIn(process.env.IMPEGNO_SECRET ?? '');
