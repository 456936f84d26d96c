import { listShelves, readShelf } from '@/services/library/shelves';
import { respond } from '@/services/problem';
import { actionActor } from '../../../../session';

/** The trades of the library, or (`?trade=`) what stands on the shelf of one. */
export function GET(request: Request) {
  return respond(async () => {
    const actor = await actionActor();
    const asked = new URL(request.url).searchParams;
    const trade = asked.get('trade');
    return Response.json(
      trade === null
        ? { shelves: await listShelves(actor) }
        : { found: await readShelf(actor, trade.slice(0, 60), asked.get('section')?.slice(0, 200)) },
    );
  });
}
