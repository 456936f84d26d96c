import { respond } from '@/services/problem';
import { moneyReportFile } from '@/services/reports/moneyReport';
import { apiActor } from '../../../../session';
import { download } from '../../../download';

/** A report on money (`?show=`), narrowed as its page is, as a file: CSV, or (`?format=xlsx`) a workbook. */
export const GET = (request: Request) =>
  respond(async () => {
    const actor = await apiActor();
    const query = Object.fromEntries(new URL(request.url).searchParams);
    const format = query.format === 'xlsx' ? 'xlsx' : 'csv';
    const { body, name } = await moneyReportFile(actor, query.show ?? '', query, format);
    return download(
      body,
      format === 'xlsx'
        ? 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'
        : 'text/csv; charset=utf-8; header=present',
      name,
    );
  });
