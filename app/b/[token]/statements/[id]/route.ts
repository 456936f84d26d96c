import { visitorStatement } from '@/services/booklet/certificate';
import { download } from '../../../../api/download';
import { bookletRead } from '../../../door';

export const GET = bookletRead(async (visitor, { id = '' }) =>
  download(await visitorStatement(visitor, id), 'application/json', `signed-${id.slice(0, 12)}.json`),
);
