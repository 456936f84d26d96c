import { backListCsv, backListXlsx, yearOf } from '@/services/reports/reportList';
import { noSuch, respond } from '@/services/problem';
import { backLists } from '@/formats/csv/reportCsv';
import { apiActor } from '../../../session';
import { download } from '../../download';

/**
 * A list of looking back, `?list=agreements&year=2026` and the like, as CSV, or (`&format=xlsx`) as a workbook.
 * @throws Problem `no-such-list`
 */
export const GET = (request: Request) =>
  respond(async () => {
    const actor = await apiActor();
    const query = new URL(request.url).searchParams;
    const list = backLists.find((each) => each === query.get('list'));
    const days = Number(query.get('days') ?? '365');
    const year = yearOf(query.get('year'));
    if (!list || !Number.isInteger(days) || days < 1 || days > 3660) throw noSuch('list');
    if (query.get('format') === 'xlsx')
      return download(
        await backListXlsx(actor, list, { year, days }),
        'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        `${list}.xlsx`,
      );
    return download(
      await backListCsv(actor, list, { year, days }),
      'text/csv; charset=utf-8; header=present',
      `${list}.csv`,
    );
  });
