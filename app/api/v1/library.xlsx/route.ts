import { libraryAsXlsx } from '@/services/downloads/papers';
import { respond } from '@/services/problem';
import { apiActor } from '../../../session';
import { download } from '../../download';

/** The library as a workbook. */
export const GET = () =>
  respond(async () =>
    download(
      await libraryAsXlsx(await apiActor()),
      'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
      'library.xlsx',
    ),
  );
