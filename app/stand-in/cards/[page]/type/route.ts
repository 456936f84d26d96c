import Type from 'typebox';
import { cardService } from '@/services/cardService';
import { check } from '@/services/check';
import { respond } from '@/services/problem';
import { fromOwnPage, jsonBody } from '../../../../api/ownPage';

const Typed = Type.Object(
  { number: Type.String({ maxLength: 40 }), expiry: Type.String({ maxLength: 10 }) },
  { additionalProperties: false },
);

/** Takes a card at the stand-in: answers where its holder goes back to, or what is wrong with it. */
export const POST = (
  request: Request,
  { params }: { params: Promise<{ page: string }> },
): Promise<Response> =>
  respond(async () => {
    fromOwnPage(request);
    const { page } = await params;
    const card = check(Typed, await jsonBody(request, 2_000), 'The card');
    return Response.json(cardService().type(page, card, new Date()), {
      headers: { 'cache-control': 'private, no-store' },
    });
  });
