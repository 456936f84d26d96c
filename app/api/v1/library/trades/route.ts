import { listTrades, readTrade } from '@/services/library/byTrade';
import { respond } from '@/services/problem';
import { actionActor } from '../../../../session';

/** The trades of the library, or (`?trade=`) what is in one. */
export function GET(request: Request) {
  return respond(async () => {
    const actor = await actionActor();
    const asked = new URL(request.url).searchParams;
    const trade = asked.get('trade');
    return Response.json(
      trade === null
        ? { trades: await listTrades(actor) }
        : { found: await readTrade(actor, trade.slice(0, 60), asked.get('section')?.slice(0, 200)) },
    );
  });
}
