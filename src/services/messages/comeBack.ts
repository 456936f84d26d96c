import { createHmac, timingSafeEqual } from 'node:crypto';
import { Problem } from '../problem';

const mark = (text: string) => createHmac('sha256', 'mail door').update(text).digest();

/**
 * Refuses what does not come from our mail server: it says the secret that both know (`IMPEGNO_MAIL_SECRET`).
 * @param authorization the header, as it came
 * @throws Problem `not-signed-by-service`
 */
export function refuseOtherMail(authorization: string | null): void {
  const secret = process.env.IMPEGNO_MAIL_SECRET ?? '';
  const given = /^Bearer (.+)$/.exec(authorization ?? '')?.[1] ?? '';
  if (secret.length < 20 || !timingSafeEqual(mark(given), mark(secret)))
    throw new Problem('not-signed-by-service', 'This does not come from our mail server.');
}
