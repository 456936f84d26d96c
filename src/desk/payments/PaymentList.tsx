'use client';

import Link from 'next/link';
import { wayOf } from '@/core/text/names';
import type { PaymentListRow } from '@/services/payments/paymentList';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';

const kinds: Readonly<Record<PaymentListRow['kind'], string>> = {
  payment: 'payment',
  returned: 'payment returned',
  void: 'payment void',
  reinstated: 'payment reinstated',
  refund: 'refund',
};

/** Payments and refunds, found, filtered, sorted and exported. */
export const PaymentList = (props: ListProps<PaymentListRow>) => (
  <ListTable
    {...props}
    path="/money/payments"
    find="Find by customer, work, reference"
    none="No payment yet. They are recorded on the page of an agreement or an invoice."
    render={{
      customer: (row) => (
        <Link className="soft-link" href={`/customers/${row.customerId}`} prefetch={false}>
          {row.customer}
        </Link>
      ),
      agreement: (row) => (
        <Link href={`/agreements/${row.agreementId}`} prefetch={false}>
          {row.agreement}
        </Link>
      ),
      kind: (row) => <span className={row.kind === 'payment' ? '' : 'wrong'}>{kinds[row.kind]}</span>,
      method: (row) => wayOf(row),
    }}
  />
);
