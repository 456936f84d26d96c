'use client';

import Link from 'next/link';
import type { HistoryRow } from '@/services/history/historyList';
import { showInstant } from '@/ui/instants';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';

const pages: Readonly<Record<NonNullable<HistoryRow['kind']>, string>> = {
  agreement: '/agreements',
  proposal: '/proposals',
  customer: '/customers',
  invoice: '/money',
  item: '/library/items',
  bundle: '/library/bundles',
};

/** Who did what, when: found, filtered and taken out as a file; nothing is erased from it. */
export function HistoryList({ timeZone, ...props }: ListProps<HistoryRow> & { readonly timeZone: string }) {
  return (
    <ListTable
      {...props}
      path="/history"
      find="Find by person, act, what it was about"
      none="Nothing was done yet."
      render={{
        at: (row) => showInstant(row.at, timeZone),
        who: (row) => row.who || <span className="soft">the customer, or by itself</span>,
        about: (row) =>
          row.kind === null ? (
            row.about
          ) : (
            <Link className="soft-link" href={`${pages[row.kind]}/${row.subject}`} prefetch={false}>
              {row.about || row.kind}
            </Link>
          ),
        says: (row) => (
          <>
            {row.says.map((line) => (
              <div key={line} className="anywhere">
                {line}
              </div>
            ))}
          </>
        ),
      }}
    />
  );
}
