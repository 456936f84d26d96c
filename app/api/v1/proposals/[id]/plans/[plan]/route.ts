import { exportPlan } from '@/services/downloads/papers';
import { noSuch, respond } from '@/services/problem';
import { isId } from '@/model';
import { apiActor } from '../../../../../../session';
import { download } from '../../../../../download';

/**
 * What was traced on a plan, as GeoJSON in feet.
 * @throws Problem `no-such-proposal`
 */
export function GET(_: Request, { params }: { params: Promise<{ id: string; plan: string }> }) {
  return respond(async () => {
    const actor = await apiActor();
    const { id, plan } = await params;
    if (!isId(id)) throw noSuch('proposal');
    const json = await exportPlan(actor, id, plan);
    return download(JSON.stringify(json, null, 2), 'application/geo+json', 'plan.geojson');
  });
}
