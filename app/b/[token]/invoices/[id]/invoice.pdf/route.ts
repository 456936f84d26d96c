import { visitorInvoicePdf } from '@/services/downloads/papers';
import { noSuch } from '@/services/problem';
import { download } from '../../../../../api/download';
import { isId } from '@/model';
import { bookletRead } from '../../../../door';

/** @throws Problem `no-such-invoice` */
export const GET = bookletRead(async (visitor, { id }) => {
  if (!isId(id ?? '')) throw noSuch('invoice');
  return download(await visitorInvoicePdf(visitor, id!), 'application/pdf', 'invoice.pdf');
});
