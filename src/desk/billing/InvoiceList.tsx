'use client';

import Link from 'next/link';
import type { InvoiceListRow } from '@/services/billing/invoiceList';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';

/** Invoices and credit notes, found, filtered, sorted and exported. */
export const InvoiceList = (props: ListProps<InvoiceListRow>) => (
  <ListTable
    {...props}
    path="/money"
    find="Find by number, customer, work"
    none="No invoice yet. They are issued on the page of an agreement."
    render={{
      number: (row) => (
        <Link href={`/money/${row.id}`} prefetch={false}>
          {row.number}
        </Link>
      ),
      agreement: (row) => (
        <Link className="soft-link" href={`/agreements/${row.agreementId}`} prefetch={false}>
          {row.agreement}
        </Link>
      ),
    }}
  />
);
