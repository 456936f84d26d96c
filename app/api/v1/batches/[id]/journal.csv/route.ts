import { batchJournalCsv } from '@/services/downloads/papers';
import { batchNumber } from '@/services/billing/batches';
import { readDoor } from '../../../../door';
import { download } from '../../../../download';

/** A batch as a journal. */
export const GET = readDoor(async (actor, id) =>
  download(
    await batchJournalCsv(actor, id),
    'text/csv; charset=utf-8; header=present',
    `batch-${await batchNumber(actor, id)}-journal.csv`,
  ),
);
