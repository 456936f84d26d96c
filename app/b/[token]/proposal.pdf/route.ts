import { bookletPaper } from '@/services/downloads/papers';
import { download } from '../../../api/download';
import { bookletRead } from '../../door';

export const GET = bookletRead(async (visitor) =>
  download(await bookletPaper(visitor), 'application/pdf', 'proposal.pdf'),
);
