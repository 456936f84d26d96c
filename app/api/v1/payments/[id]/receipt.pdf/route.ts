import { receiptPaperPdf } from '@/services/downloads/papers';
import { readDoor } from '../../../../door';
import { download } from '../../../../download';

export const GET = readDoor(async (actor, id) =>
  download(await receiptPaperPdf(actor, id), 'application/pdf', 'receipt.pdf'),
);
