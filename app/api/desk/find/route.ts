import { findAnything } from '@/services/find/findAnything';
import { respond } from '@/services/problem';
import { actionActor } from '../../../session';

/** What of the company has the words of `?words=`: customers, proposals, agreements, invoices and so on. */
export const GET = (request: Request) =>
  respond(async () => {
    const words = new URL(request.url).searchParams.get('words') ?? '';
    return Response.json(await findAnything(await actionActor(), words));
  });
