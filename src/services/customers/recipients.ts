import type { Recipients } from '@/core/text/recipients';
import { whoGets } from '@/core/text/recipients';
import type { Transaction } from '@/data/connection';
import { customerById } from '@/data/customers/customer';
import { peopleOf } from '@/data/customers/people';

/** Who of a customer letters of a kind go to, and the customer's own name. */
export async function recipientsOf(
  tx: Transaction,
  customerId: string,
  what: 'offers' | 'invoices',
): Promise<Recipients & { readonly customer: string }> {
  const [customer] = await customerById(tx, customerId);
  return { ...whoGets(customer!, await peopleOf(tx, customerId), what), customer: customer!.name };
}
