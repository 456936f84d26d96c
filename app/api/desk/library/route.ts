import { findInLibrary } from '@/services/library/find';
import { respond } from '@/services/problem';
import { actionActor } from '../../../session';

/** The best items and bundles for a few letters, what is often used on such a section first. */
export function GET(request: Request) {
  return respond(async () => {
    const actor = await actionActor();
    const asked = new URL(request.url).searchParams;
    const sectionTitle = asked.get('section')?.slice(0, 200);
    return Response.json({
      found: await findInLibrary(
        actor,
        asked.get('search') ?? '',
        sectionTitle === undefined ? {} : { sectionTitle },
      ),
    });
  });
}
