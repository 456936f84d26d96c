import { guideIndex } from '@/services/help/guide';
import { respond } from '@/services/problem';
import { apiActor } from '../../../session';

/** What pages the guide has, and about which screens. */
export const GET = (): Promise<Response> =>
  respond(async () => {
    await apiActor();
    return Response.json(await guideIndex());
  });
