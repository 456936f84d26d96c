import Link from 'next/link';
import type { readCustomer } from '@/services/customers/customers';
import { showDecimal } from '@/core/number';
import { showDay } from '@/core/text/dates';
import { StateMark } from '@/ui/StateMark';
import { PlainTable } from '@/ui/tables/PlainTable';
import { Track } from '@/ui/Track';

type Found = Awaited<ReturnType<typeof readCustomer>>;

const softNumber = {
  key: 'number',
  title: 'No.',
  cell: ({ number }: { readonly number: number | string }) => <span className="soft">{number}</span>,
};

/** What was offered to a customer. */
export function CustomerProposals({ proposals }: Pick<Found, 'proposals'>) {
  if (proposals.length === 0) return <p className="empty">Nothing offered yet.</p>;
  return (
    <PlainTable
      label="Proposals"
      headless
      rows={proposals}
      rowKey={({ id }) => id}
      columns={[
        softNumber,
        {
          key: 'title',
          title: 'Proposal',
          cell: ({ id, title }) => (
            <Link href={`/proposals/${id}`} prefetch={false}>
              {title}
            </Link>
          ),
        },
        { key: 'state', title: 'State', cell: ({ state }) => <StateMark state={state} /> },
        {
          key: 'changed',
          title: 'Last change',
          cell: ({ changedOn }) => <span className="soft">{showDay(changedOn)}</span>,
        },
        { key: 'total', title: 'Total', figure: true, cell: ({ total }) => showDecimal(total) },
      ]}
    />
  );
}

/** What was agreed with a customer, each with where its money stands. */
export function CustomerAgreements({ agreements }: Pick<Found, 'agreements'>) {
  if (agreements.length === 0) return null;
  return (
    <>
      <h2>Agreements</h2>
      <PlainTable
        label="Agreements"
        headless
        rows={agreements}
        rowKey={({ id }) => id}
        columns={[
          softNumber,
          {
            key: 'title',
            title: 'Agreement',
            cell: ({ id, title }) => (
              <Link href={`/agreements/${id}`} prefetch={false}>
                {title}
              </Link>
            ),
          },
          { key: 'track', title: '', width: '40%', cell: ({ track }) => <Track parts={track} /> },
          {
            key: 'sum',
            title: 'Sum to date',
            figure: true,
            cell: ({ standing }) => showDecimal(standing.sumToDate),
          },
        ]}
      />
    </>
  );
}
