import type { WebhookPost } from '@/gateways/webhooks/webhookPost';
import { httpWebhookPost } from '@/gateways/webhooks/webhookPost';

/** Who brings news to other programs: over HTTPS to the open internet, or also inside this network where that is configured. */
export const webhookPost = (): WebhookPost =>
  httpWebhookPost({ inside: process.env.IMPEGNO_WEBHOOKS_INSIDE === 'yes' });
