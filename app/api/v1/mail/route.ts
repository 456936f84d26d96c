import { refuseOtherMail } from '@/services/messages/comeBack';
import { takeDeliveryReport } from '@/services/messages/deliver';
import { respond } from '@/services/problem';
import { limitedBody } from '../../ownPage';

/** A report carries the headers of the letter it is about, or the letter with what went with it. */
const LARGEST = 25 * 1024 * 1024;

/** Where a mail server hands on what came back (docs/ports/mail.md). Heard again, it changes nothing. */
export const POST = (request: Request): Promise<Response> =>
  respond(async () => {
    refuseOtherMail(request.headers.get('authorization'));
    const raw = await limitedBody(request, LARGEST);
    return Response.json({ letters: await takeDeliveryReport(Buffer.from(raw), new Date()) });
  });
