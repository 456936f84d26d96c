'use client';

import Link from 'next/link';
import { costTypeName } from '@/core/text/names';
import type { CostListRow } from '@/services/jobCosting/costList';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';

/** The costs of all jobs, found, filtered, sorted and exported. */
export const CostsOfAllJobs = (props: ListProps<CostListRow>) => (
  <ListTable
    {...props}
    path="/money/costs"
    find="Find by cost, supplier, work, customer"
    none="No cost yet. They are recorded in the job costing of an agreement."
    render={{
      what: (row) => <span className={row.void ? 'cost-void' : ''}>{row.what}</span>,
      agreement: (row) => (
        <Link href={`/agreements/${row.agreementId}/job-costing`} prefetch={false}>
          {row.agreement}
        </Link>
      ),
      customer: (row) => (
        <Link className="soft-link" href={`/customers/${row.customerId}`} prefetch={false}>
          {row.customer}
        </Link>
      ),
      costType: (row) => costTypeName(row.costType),
      invoice: (row) =>
        row.invoiceId !== null && (
          <Link className="soft-link" href={`/money/${row.invoiceId}`} prefetch={false}>
            {row.invoice}
          </Link>
        ),
    }}
  />
);
