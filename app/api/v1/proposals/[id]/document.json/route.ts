import { exportDocument } from '@/services/downloads/papers';
import { readDoor } from '../../../../door';
import { download } from '../../../../download';

export const GET = readDoor(async (actor, id) =>
  download(JSON.stringify(await exportDocument(actor, id), null, 2), 'application/json', 'proposal.json'),
);
