'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { showDay } from '@/core/text/dates';
import type { ProposalListRow } from '@/services/proposals/proposalList';
import { LinkButton } from '@/ui/LinkButton';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';
import { StateMark } from '@/ui/StateMark';
import type { Answer } from '@/model';
import { useConfirmed } from '@/ui/useConfirmed';
import { May } from '@/ui/may/May';

type WithdrawMany = (input: { readonly ids: readonly string[] }) => Promise<Answer<{ count: number }>>;

/** Takes those selected back, after a question; what is closed already is passed over, and said. */
function PickedActs({
  rows,
  done,
  withdraw,
}: {
  readonly rows: readonly ProposalListRow[];
  readonly done: () => void;
  readonly withdraw: WithdrawMany;
}) {
  const confirmed = useConfirmed();
  const many = rows.length === 1 ? 'this proposal' : `these ${rows.length} proposals`;
  return (
    <Button
      size="small"
      onClick={() =>
        confirmed(
          {
            title: `Withdraw ${many}?`,
            content:
              'Customers can not accept them any more. They stay on record; what is accepted, declined or withdrawn already stays as it is.',
            okText: 'Withdraw',
          },
          () => withdraw({ ids: rows.map(({ id }) => id) }),
          {
            said: ({ count }) =>
              `${count} of ${rows.length} ${rows.length === 1 ? 'proposal' : 'proposals'} withdrawn.` +
              (count < rows.length ? ' What is accepted or declined stays as it is.' : ''),
            then: done,
          },
        )
      }
    >
      Withdraw
    </Button>
  );
}

/** Proposals, found, filtered, sorted and exported. */
export const ProposalList = ({
  withdraw,
  ...props
}: ListProps<ProposalListRow> & {
  /** Null for who may not. */
  readonly withdraw: WithdrawMany | null;
}) => (
  <ListTable
    {...props}
    {...(withdraw
      ? {
          acts: (rows: readonly ProposalListRow[], done: () => void) => (
            <PickedActs rows={rows} done={done} withdraw={withdraw} />
          ),
        }
      : {})}
    path="/proposals"
    find="Find by title, customer, address, number"
    none={
      <>
        <p>No proposal yet. Start the first one.</p>
        <May any={['propose']}>
          <LinkButton primary href="/proposals/new">
            New proposal
          </LinkButton>
        </May>
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
