import { visitorInvoicePdf } from '@/services/downloads/papers';
import { Problem } from '@/services/problem';
import { download } from '../../../../../api/download';
import { isId } from '@/model';
import { bookletRead } from '../../../../door';

export const GET = bookletRead(async (visitor, { id }) => {
  if (!isId(id ?? '')) throw new Problem(404, 'There is no such invoice.');
  return download(await visitorInvoicePdf(visitor, id!), 'application/pdf', 'invoice.pdf');
});
