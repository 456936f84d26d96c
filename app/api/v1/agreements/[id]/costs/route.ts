import { importCosts } from '@/services/jobCosting/importCosts';
import { noSuch, respond } from '@/services/problem';
import { LARGEST_FILE } from '@/formats/table/readTable';
import { isId } from '@/model';
import { apiActor } from '../../../../../session';
import { fromOwnPage, limitedBody } from '../../../../ownPage';

/**
 * Takes a list of costs of an agreement (the body), all of it or nothing.
 * @throws Problem `no-such-agreement`
 */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  respond(async () => {
    fromOwnPage(request);
    const actor = await apiActor();
    const { id } = await params;
    if (!isId(id)) throw noSuch('agreement');
    return Response.json(await importCosts(actor, id, await limitedBody(request, LARGEST_FILE)));
  });
