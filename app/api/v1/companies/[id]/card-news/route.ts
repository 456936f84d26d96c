import { receiveCardNews } from '@/services/payments/cards';
import { noSuch, respond } from '@/services/problem';
import { isId } from '@/model';

/**
 * Where the card service tells what became of a charge.
 * @throws Problem `no-such-company`
 */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  respond(async () => {
    const { id } = await params;
    if (!isId(id)) throw noSuch('company');
    await receiveCardNews(id, request, new Date());
    return Response.json({ received: true });
  });
