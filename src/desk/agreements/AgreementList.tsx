'use client';

import Link from 'next/link';
import type { AgreementListRow } from '@/services/agreements/agreementList';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';
import { Track } from '@/ui/Track';

/** Agreements and their tracks, found, filtered, sorted and exported. */
export const AgreementList = (props: ListProps<AgreementListRow>) => (
  <ListTable
    {...props}
    path="/agreements"
    find="Find by title, customer, address, number"
    none="Nothing is agreed yet. An accepted proposal appears here."
    note={<p className="soft list-note">Track: hatched is billed, solid is paid.</p>}
    render={{
      title: (row) => (
        <Link href={`/agreements/${row.id}`} prefetch={false}>
          {row.title}
        </Link>
      ),
      customer: (row) => (
        <Link className="soft-link" href={`/customers/${row.customerId}`} prefetch={false}>
          {row.customer}
        </Link>
      ),
      track: (row) => (
        <div className="list-track">
          <Track parts={row.track} />
        </div>
      ),
    }}
  />
);
