import { checkCertificate } from '@/services/booklet/certificate';
import { Problem, respond } from '@/services/problem';
import { jsonBody } from '../../ownPage';
import { requestOrigin } from '../../../session';

/**
 * Checks a certificate by the hash of its statement, for anyone who holds it.
 * @throws Problem `not-json`
 */
export const POST = (request: Request) =>
  respond(async () => {
    if (!request.headers.get('content-type')?.startsWith('application/json'))
      throw new Problem('not-json', 'This door takes JSON.');
    const input = await jsonBody(request, 500_000);
    const found = await checkCertificate(input, await requestOrigin(), new Date());
    return Response.json({ found }, { headers: { 'cache-control': 'private, no-store' } });
  });
