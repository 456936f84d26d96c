import { invoicePaperXml } from '@/services/downloads/papers';
import { readDoor } from '../../../../door';
import { download } from '../../../../download';

export const GET = readDoor(async (actor, id) =>
  download(await invoicePaperXml(actor, id), 'application/xml', 'invoice.xml'),
);
