import { keepSamplePlan } from '@/services/files/keep';
import { respond } from '@/services/problem';
import { actionActor } from '../../../../session';
import { fromOwnPage } from '../../../ownPage';

/** Keeps one of the drawn sample plans (`?key=`). */
export function POST(request: Request) {
  return respond(async () => {
    fromOwnPage(request);
    const actor = await actionActor();
    return Response.json(await keepSamplePlan(actor, new URL(request.url).searchParams.get('key') ?? ''));
  });
}
