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
