import { guideIndex } from '@/services/help/guide';
import { respond } from '@/services/problem';
import { actionActor } from '../../../session';

/** What pages the guide has, and about which screens. */
export const GET = (): Promise<Response> =>
  respond(async () => {
    await actionActor();
    return Response.json(await guideIndex());
  });
