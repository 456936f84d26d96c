import { respond } from '@/services/problem';
import { taxReportFile } from '@/services/reports/taxReport';
import { apiActor } from '../../../../session';
import { download } from '../../../download';

/** Sales tax of `?from=` to `?to=` as a file: CSV, or (`?format=xlsx`) a workbook. */
export const GET = (request: Request) =>
  respond(async () => {
    const actor = await apiActor();
    const query = new URL(request.url).searchParams;
    const format = query.get('format') === 'xlsx' ? 'xlsx' : 'csv';
    const { body, name } = await taxReportFile(
      actor,
      { from: query.get('from'), to: query.get('to') },
      format,
    );
    return download(
      body,
      format === 'xlsx'
        ? 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'
        : 'text/csv; charset=utf-8; header=present',
      name,
    );
  });
