import { invoicePaperPdf } from '@/services/downloads/papers';
import { readDoor } from '../../../../door';
import { download } from '../../../../download';

export const GET = readDoor(async (actor, id) =>
  download(await invoicePaperPdf(actor, id), 'application/pdf', 'invoice.pdf'),
);
