import { checkCertificate } from '@/acts/agreements/certificate';
import { Problem, respond } from '@/acts/problem';
import { requestOrigin } from '../../../session';

/** Checks a certificate by the hash of its statement, for anyone who holds it. */
export const POST = (request: Request) =>
  respond(async () => {
    if (!request.headers.get('content-type')?.startsWith('application/json'))
      throw new Problem(400, 'This door takes JSON.');
    const text = await request.text();
    if (text.length > 500) throw new Problem(422, 'That is too much to send.');
    let input: unknown;
    try {
      input = JSON.parse(text);
    } catch {
      throw new Problem(400, 'This is not JSON.');
    }
    const found = await checkCertificate(input, await requestOrigin(), new Date());
    return Response.json({ found }, { headers: { 'cache-control': 'private, no-store' } });
  });
