import { guidePage } from '@/services/help/guide';
import { noSuch, respond } from '@/services/problem';
import { actionActor } from '../../../../session';

/**
 * A page of the guide.
 * @throws Problem `no-such-page`
 */
export const GET = (_: Request, { params }: { params: Promise<{ page: string }> }): Promise<Response> =>
  respond(async () => {
    await actionActor();
    const found = await guidePage((await params).page);
    if (!found) throw noSuch('page');
    return Response.json({ title: found.title, html: found.html });
  });
