import type { Visitor } from '@/services/booklet/open';
import { visitorOf } from '@/services/booklet/open';
import { Problem, respond } from '@/services/problem';
import { jsonBody } from '../api/ownPage';
import { requestOrigin } from '../session';

const LARGEST = 200_000;

interface Context {
  readonly params: Promise<{ token: string }>;
}

/**
 * A door of the booklet that takes JSON: who is it (the link), is it JSON of a fair size, then the act.
 * @throws Problem `not-json`
 */
export function bookletDoor(act: (visitor: Visitor, input: unknown, request: Request) => Promise<unknown>) {
  return (request: Request, { params }: Context): Promise<Response> =>
    respond(async () => {
      const { token } = await params;
      // A form of another site cannot send this type without being asked first.
      if (!request.headers.get('content-type')?.startsWith('application/json'))
        throw new Problem('not-json', 'This door takes JSON.');
      const visitor = await visitorOf(token, await requestOrigin(), new Date());
      const input = await jsonBody(request, LARGEST);
      return Response.json((await act(visitor, input, request)) ?? {}, {
        headers: { 'cache-control': 'private, no-store' },
      });
    });
}

/** A door of the booklet that only reads. */
export function bookletRead(
  act: (visitor: Visitor, params: { token: string; id?: string }, request: Request) => Promise<Response>,
) {
  return (
    request: Request,
    { params }: { params: Promise<{ token: string; id?: string }> },
  ): Promise<Response> =>
    respond(async () => {
      const given = await params;
      return act(await visitorOf(given.token, await requestOrigin(), new Date()), given, request);
    });
}
