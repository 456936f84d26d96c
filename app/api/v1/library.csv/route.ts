import { libraryAsCsv } from '@/services/downloads/papers';
import { respond } from '@/services/problem';
import { apiActor } from '../../../session';
import { download } from '../../download';

/** The library as CSV. */
export const GET = () =>
  respond(async () =>
    download(await libraryAsCsv(await apiActor()), 'text/csv; charset=utf-8; header=present', 'library.csv'),
  );
