import { accountStatementPdf } from '@/services/downloads/papers';
import { noSuch, Problem, respond } from '@/services/problem';
import { isDay } from '@/core/calendar';
import { isId } from '@/model';
import { apiActor } from '../../../../../session';
import { download } from '../../../../download';

/**
 * A customer's statement of account, from a day to a day.
 * @throws Problem `no-such-customer`, `not-a-day`
 */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  respond(async () => {
    const actor = await apiActor();
    const { id } = await params;
    if (!isId(id)) throw noSuch('customer');
    const query = new URL(request.url).searchParams;
    const day = (name: string): string | undefined => {
      const text = query.get(name);
      if (text === null || text === '') return undefined;
      if (!isDay(text)) throw new Problem('not-a-day', `“${name}” is a day, as 2026-05-01.`);
      return text;
    };
    const range = { from: day('from'), to: day('to') };
    return download(await accountStatementPdf(actor, id, range), 'application/pdf', 'account.pdf');
  });
