import { matchLines } from '@/services/library/matches';
import { respond } from '@/services/problem';
import { jsonBody } from '../../../ownPage';
import { actionActor } from '../../../../session';

/** The items that fit each of some pasted lines. */
export function POST(request: Request) {
  return respond(async () => {
    const actor = await actionActor();
    return Response.json({ found: await matchLines(actor, await jsonBody(request, 200_000)) });
  });
}
