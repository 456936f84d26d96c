import { effectOnDrafts } from '@/services/library/effects';
import { respond } from '@/services/problem';
import { jsonBody } from '../../../ownPage';
import { actionActor } from '../../../../session';

/** What an item or bundle as it is typed would make of the drafts that have it. */
export function POST(request: Request) {
  return respond(async () => {
    const actor = await actionActor();
    return Response.json(await effectOnDrafts(actor, await jsonBody(request, 1_000_000)));
  });
}
