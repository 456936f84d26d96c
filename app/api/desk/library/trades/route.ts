import { listTrades, readTrade } from '@/services/library/byTrade';
import { respond } from '@/services/problem';
import { actionActor } from '../../../../session';

/** No trade is longer. */
const FARTHEST = 1_000_000;

/** The trades of the library, or (`?trade=`) what is in one and has `?words=`, `?after=` so many that were given before. */
export function GET(request: Request) {
  return respond(async () => {
    const actor = await actionActor();
    const asked = new URL(request.url).searchParams;
    const trade = asked.get('trade');
    if (trade === null) return Response.json({ trades: await listTrades(actor) });
    const after = Math.trunc(Number(asked.get('after') ?? 0));
    return Response.json(
      await readTrade(actor, trade.slice(0, 60), {
        section: asked.get('section')?.slice(0, 200),
        words: (asked.get('words') ?? '').slice(0, 200),
        after: after > 0 ? Math.min(after, FARTHEST) : 0,
      }),
    );
  });
}
