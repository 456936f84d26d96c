import { matchLines } from '@/acts/library/matches';
import { respond } from '@/acts/problem';
import { jsonBody } from '../../../ownPage';
import { actionActor } from '../../../../session';

/** The items that fit each of some pasted lines. */
export function POST(request: Request) {
  return respond(async () => {
    const actor = await actionActor();
    return Response.json({ found: await matchLines(actor, await jsonBody(request, 200_000)) });
  });
}
