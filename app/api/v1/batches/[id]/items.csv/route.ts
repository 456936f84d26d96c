import { batchItemsCsv } from '@/services/downloads/papers';
import { batchNumber } from '@/services/billing/batches';
import { readDoor } from '../../../../door';
import { download } from '../../../../download';

/** The papers of a batch, broken into their items. */
export const GET = readDoor(async (actor, id) =>
  download(
    await batchItemsCsv(actor, id),
    'text/csv; charset=utf-8; header=present',
    `batch-${await batchNumber(actor, id)}-items.csv`,
  ),
);
