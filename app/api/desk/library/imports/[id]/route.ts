import { dropImport } from '@/services/library/importItems';
import { respond } from '@/services/problem';
import { actionActor } from '../../../../../session';
import { fromOwnPage } from '../../../../ownPage';

/** Drops a file that waits. */
export function DELETE(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    fromOwnPage(request);
    await dropImport(await actionActor(), (await params).id);
    return new Response(null, { status: 204 });
  });
}
