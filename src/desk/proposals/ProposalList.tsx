'use client';

import Link from 'next/link';
import { showDay } from '@/core/text/dates';
import type { ProposalListRow } from '@/services/proposals/proposalList';
import { LinkButton } from '@/ui/LinkButton';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';
import { StateMark } from '@/ui/StateMark';

/** Proposals, found, filtered, sorted and exported. */
export const ProposalList = (props: ListProps<ProposalListRow>) => (
  <ListTable
    {...props}
    path="/proposals"
    find="Find by title, customer, address, number"
    none={
      <>
        <p>No proposal yet. Start the first one.</p>
        <LinkButton primary href="/proposals/new">
          New proposal
        </LinkButton>
      </>
    }
    render={{
      title: (row) => (
        <Link href={`/proposals/${row.id}`} prefetch={false}>
          {row.title}
        </Link>
      ),
      customer: (row) => (
        <Link className="soft-link" href={`/customers/${row.customerId}`} prefetch={false}>
          {row.customer}
        </Link>
      ),
      state: (row) => <StateMark state={row.state} />,
      opened: (row) =>
        row.state === 'sent' ? (
          row.opened ? (
            showDay(row.opened)
          ) : (
            <span className="soft">not opened</span>
          )
        ) : (
          ''
        ),
    }}
  />
);
