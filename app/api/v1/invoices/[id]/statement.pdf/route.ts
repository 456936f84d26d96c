import { progressStatementPdf } from '@/services/downloads/papers';
import { readDoor } from '../../../../door';
import { download } from '../../../../download';

export const GET = readDoor(async (actor, id) =>
  download(await progressStatementPdf(actor, id), 'application/pdf', 'progress-statement.pdf'),
);
