import { findItems } from '@/services/library/library';
import { respond } from '@/services/problem';
import { actionActor } from '../../../session';

/** The best items of the library for a few letters. */
export function GET(request: Request) {
  return respond(async () => {
    const actor = await actionActor();
    const words = new URL(request.url).searchParams.get('search') ?? '';
    return Response.json({ items: await findItems(actor, words) });
  });
}
