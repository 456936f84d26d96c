import { libraryAsCsv } from '@/services/downloads/papers';
import { respond } from '@/services/problem';
import { actionActor } from '../../../session';
import { download } from '../../download';

/** The library as CSV. */
export const GET = () =>
  respond(async () =>
    download(
      await libraryAsCsv(await actionActor()),
      'text/csv; charset=utf-8; header=present',
      'library.csv',
    ),
  );
