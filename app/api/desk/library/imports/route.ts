import { startImport } from '@/services/library/importItems';
import { respond } from '@/services/problem';
import { LARGEST_FILE } from '@/formats/table/readTable';
import { actionActor } from '../../../../session';
import { fromOwnPage, limitedBody } from '../../../ownPage';

/** Takes a file in (the body, its name as `?name=`) to be looked at. */
export function POST(request: Request) {
  return respond(async () => {
    fromOwnPage(request);
    const actor = await actionActor();
    const name = new URL(request.url).searchParams.get('name') ?? 'a file';
    return Response.json(await startImport(actor, name, await limitedBody(request, LARGEST_FILE)));
  });
}
