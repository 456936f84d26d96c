import { exportPlan } from '@/services/downloads/papers';
import { Problem, respond } from '@/services/problem';
import { isId } from '@/model';
import { actionActor } from '../../../../../../session';
import { download } from '../../../../../download';

/** What was traced on a plan, as GeoJSON in feet. */
export function GET(_: Request, { params }: { params: Promise<{ id: string; plan: string }> }) {
  return respond(async () => {
    const actor = await actionActor();
    const { id, plan } = await params;
    if (!isId(id)) throw new Problem(404, 'There is no such proposal.');
    const json = await exportPlan(actor, id, plan);
    return download(JSON.stringify(json, null, 2), 'application/geo+json', 'plan.geojson');
  });
}
