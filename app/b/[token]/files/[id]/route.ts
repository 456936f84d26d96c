import { visitorFile } from '@/services/booklet/files';
import { picture } from '../../../../api/picture';
import { bookletRead } from '../../../door';

export const GET = bookletRead(async (visitor, { id }) => picture(await visitorFile(visitor, id ?? '')));
