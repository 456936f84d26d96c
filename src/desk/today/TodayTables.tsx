'use client';

import Link from 'next/link';
import { isNothing, showDecimal } from '@/core/number';
import { showDay } from '@/core/text/dates';
import type { AgreementListRow } from '@/services/agreements/agreementList';
import type { waitingRounds } from '@/services/agreements/rounds';
import type { InvoiceListRow } from '@/services/billing/invoiceList';
import type { listProposals } from '@/services/proposals/read';
import { PlainTable } from '@/ui/tables/PlainTable';
import { Track } from '@/ui/Track';

type Round = Awaited<ReturnType<typeof waitingRounds>>[number];
type Proposal = Awaited<ReturnType<typeof listProposals>>[number];

const ToProposal = ({ row }: { readonly row: Proposal }) => (
  <Link href={`/proposals/${row.id}`} prefetch={false}>
    {row.title}
  </Link>
);

/** What is late: what customers should have chosen, and what they should have paid. */
export const LateTable = ({
  rounds,
  invoices,
}: {
  readonly rounds: readonly Round[];
  readonly invoices: readonly InvoiceListRow[];
}) => (
  <PlainTable
    label="Late"
    headless
    rows={[
      ...rounds.map(({ id, agreementId, name, title, customer, due }) => ({
        ...{ id, agreementId, customer, due, open: '' },
        ...{ what: `To be chosen: ${name}`, of: title },
      })),
      ...invoices.map(({ id, agreementId, number, what, customer, due, open }) => ({
        ...{ id, agreementId, customer, due, open },
        ...{ what: `Invoice ${number}`, of: what },
      })),
    ]}
    rowKey={({ id }) => id}
    columns={[
      {
        key: 'what',
        title: 'What',
        cell: (row) => (
          <>
            <Link href={`/agreements/${row.agreementId}`} prefetch={false}>
              {row.what}
            </Link>{' '}
            {row.of}
          </>
        ),
      },
      { key: 'customer', title: 'Customer', cell: ({ customer }) => customer },
      {
        key: 'due',
        title: 'Due',
        cell: ({ due }) => due && <span className="wrong">due {showDay(due)}</span>,
      },
      { key: 'open', title: 'Open', figure: true, cell: ({ open }) => open && showDecimal(open) },
    ]}
  />
);

/** Proposals that are with the customer. */
export const WaitingTable = ({ proposals }: { readonly proposals: readonly Proposal[] }) => (
  <PlainTable
    label="With the customer"
    headless
    rows={proposals}
    rowKey={({ id }) => id}
    columns={[
      {
        key: 'title',
        title: 'Proposal',
        cell: (row) => (
          <>
            <ToProposal row={row} />
            {row.unsentChanges && <span className="soft"> · changed since it was sent</span>}
          </>
        ),
      },
      { key: 'customer', title: 'Customer', cell: ({ customer }) => customer },
      {
        key: 'opened',
        title: 'Opened',
        cell: ({ openedOn }) => (
          <span className="soft">{openedOn ? `opened ${showDay(openedOn)}` : 'not opened yet'}</span>
        ),
      },
      {
        key: 'until',
        title: 'Prices hold',
        cell: ({ validUntil }) =>
          validUntil && <span className="soft">hold until {showDay(validUntil)}</span>,
      },
      { key: 'total', title: 'Total', figure: true, cell: ({ total }) => showDecimal(total) },
    ]}
  />
);

/** Drafts that wait to be finished. */
export const DraftsTable = ({ proposals }: { readonly proposals: readonly Proposal[] }) => (
  <PlainTable
    label="On your table"
    headless
    rows={proposals}
    rowKey={({ id }) => id}
    columns={[
      { key: 'title', title: 'Proposal', cell: (row) => <ToProposal row={row} /> },
      { key: 'customer', title: 'Customer', cell: ({ customer }) => customer },
      {
        key: 'changed',
        title: 'Last change',
        cell: ({ changedOn }) => <span className="soft">{showDay(changedOn)}</span>,
      },
      { key: 'total', title: 'Total', figure: true, cell: ({ total }) => showDecimal(total) },
    ]}
  />
);

/** Accepted work that is under way, and what it still brings. */
export const RunningTable = ({ agreements }: { readonly agreements: readonly AgreementListRow[] }) => (
  <PlainTable
    label="Under way"
    headless
    rows={agreements}
    rowKey={({ id }) => id}
    columns={[
      {
        key: 'title',
        title: 'Agreement',
        width: '34%',
        cell: (row) => (
          <>
            <Link href={`/agreements/${row.id}`} prefetch={false}>
              {row.title}
            </Link>
            <div className="soft">{row.customer}</div>
          </>
        ),
      },
      {
        key: 'track',
        title: '',
        width: '46%',
        className: 'middle',
        cell: ({ track }) => <Track parts={track} />,
      },
      {
        key: 'left',
        title: '',
        figure: true,
        cell: ({ left, open }) =>
          isNothing(left) ? `${showDecimal(open)} to come in` : `${showDecimal(left)} to bill`,
      },
    ]}
  />
);
