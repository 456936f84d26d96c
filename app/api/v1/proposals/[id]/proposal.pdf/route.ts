import { proposalPaper } from '@/services/downloads/papers';
import { readDoor } from '../../../../door';
import { download } from '../../../../download';

export const GET = readDoor(async (actor, id) =>
  download(await proposalPaper(actor, id), 'application/pdf', 'proposal.pdf'),
);
