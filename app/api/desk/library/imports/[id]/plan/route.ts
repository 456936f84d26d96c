import { previewImport } from '@/services/library/importItems';
import { respond } from '@/services/problem';
import { actionActor } from '../../../../../../session';
import { fromOwnPage, jsonBody } from '../../../../../ownPage';

/** What the import would add, change, leave and refuse. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    fromOwnPage(request);
    const input = await jsonBody(request, 1_000_000);
    return Response.json(await previewImport(await actionActor(), (await params).id, input));
  });
}
