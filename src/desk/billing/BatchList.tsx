'use client';

import type { BatchListRow } from '@/services/billing/batchList';
import { showInstant } from '@/ui/instants';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';
import { ExportLink } from '@/ui/may/ExportLink';

/** The batches made for the accountant, each with its files. */
export const BatchList = ({
  timeZone,
  ...props
}: ListProps<BatchListRow> & { readonly timeZone: string }) => (
  <ListTable
    {...props}
    path="/money/accountant"
    find="Find by number or who made it"
    none="No batch yet. What is in one goes into no other."
    render={{
      madeAt: (row) => showInstant(row.madeAt, timeZone),
      files: (row) => (
        <span className="nowrap">
          <ExportLink href={`/api/v1/batches/${row.id}/journal.csv`}>Journal</ExportLink>
          {' · '}
          <ExportLink href={`/api/v1/batches/${row.id}/items.csv`}>Items</ExportLink>
        </span>
      ),
    }}
  />
);
