import { batchJournalCsv } from '@/acts/papers';
import { readDoor } from '../../../../door';
import { download } from '../../../../download';

/** A batch as a journal. */
export const GET = readDoor(async (actor, id) =>
  download(await batchJournalCsv(actor, id), 'text/csv; charset=utf-8; header=present', 'journal.csv'),
);
