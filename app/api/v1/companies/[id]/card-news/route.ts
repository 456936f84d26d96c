import { receiveCardNews } from '@/services/payments/cards';
import { Problem, respond } from '@/services/problem';
import { isId } from '@/model';

/** Where the card service tells what became of a charge. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  respond(async () => {
    const { id } = await params;
    if (!isId(id)) throw new Problem(404, 'There is no such company.');
    await receiveCardNews(id, request, new Date());
    return Response.json({ received: true });
  });
