import { jobListCsv } from '@/services/jobCosting/jobList';
import { noSuch, respond } from '@/services/problem';
import { jobLists } from '@/formats/csv/jobCsv';
import { isId } from '@/model';
import { apiActor } from '../../../../../session';
import { download } from '../../../../download';

/**
 * A list of a job, `?list=stages` and the like, as CSV.
 * @throws Problem `no-such-list`
 */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  respond(async () => {
    const actor = await apiActor();
    const { id } = await params;
    const asked = new URL(request.url).searchParams.get('list') ?? 'stages';
    const list = jobLists.find((each) => each === asked);
    if (!isId(id) || !list) throw noSuch('list');
    return download(
      await jobListCsv(actor, id, list),
      'text/csv; charset=utf-8; header=present',
      `${list}.csv`,
    );
  });
