import { draftInvoicePdf } from '@/services/downloads/papers';
import { readDoor } from '../../../../door';
import { download } from '../../../../download';

export const GET = readDoor(async (actor, id) =>
  download(await draftInvoicePdf(actor, id), 'application/pdf', 'draft-invoice.pdf'),
);
