import { keepFile } from '@/services/files/keep';
import { Problem, respond } from '@/services/problem';
import { LARGEST_UPLOAD } from '@/formats/image/keptImage';
import { apiActor } from '../../../session';
import { fromOwnPage, limitedBody } from '../../ownPage';

/**
 * Takes a picture in (the body; `?kind=plan|picture&name=`) and keeps it.
 * @throws Problem `parameter-missing`
 */
export function POST(request: Request) {
  return respond(async () => {
    fromOwnPage(request);
    const actor = await apiActor();
    const { searchParams } = new URL(request.url);
    const kind = searchParams.get('kind');
    if (kind !== 'plan' && kind !== 'picture')
      throw new Problem('parameter-missing', 'Say whether it is a plan or a picture.');
    const bytes = await limitedBody(request, LARGEST_UPLOAD);
    return Response.json(await keepFile(actor, kind, searchParams.get('name') ?? '', bytes));
  });
}
