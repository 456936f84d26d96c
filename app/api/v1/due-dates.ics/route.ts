import { dueDatesIcs } from '@/services/downloads/papers';
import { respond } from '@/services/problem';
import { apiActor } from '../../../session';
import { download } from '../../download';

/** What falls due, as a calendar. */
export const GET = () =>
  respond(async () =>
    download(await dueDatesIcs(await apiActor()), 'text/calendar; charset=utf-8', 'due-dates.ics'),
  );
