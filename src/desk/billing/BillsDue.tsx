'use client';

import type { TableColumnType } from 'antd';
import { Alert, Button, Checkbox, Table } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { BillDue, Issued } from '@/services/billing/billsDue';
import { addFixed, parseFixed, showDecimal, writeFixedPlaces } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { Answer, IssueManyInput } from '@/model';
import { namedCell } from '@/ui/tables/namedCell';
import '@/ui/tables/tables.css';
import { useConfirmed } from '@/ui/useConfirmed';
import { BillDuePreview } from './BillDuePreview';

/** What some amounts come to, with their decimals. */
const together = (amounts: readonly string[]): string =>
  showDecimal(writeFixedPlaces(addFixed(amounts.map(parseFixed)), amounts[0]?.split('.')[1]?.length ?? 0));

const many = (count: number) => (count === 1 ? '1 invoice' : `${count} invoices`);

/** To whom some invoices go as they are issued, and which go to nobody. */
function goesTo(bills: readonly BillDue[]): string {
  const to = [...new Set(bills.map((bill) => bill.to).filter((each) => each !== ''))];
  const silent = bills.filter((bill) => bill.to === '').length;
  return [
    ...(to.length > 0 ? [`Sent to ${to.join(', ')}.`] : []),
    ...(silent > 0 ? [`${many(silent)} to nobody: no email address is known.`] : []),
  ].join(' ');
}

/** What came of issuing several: which were, and why others were not. */
function Outcome({
  issued,
  bills,
}: {
  readonly issued: readonly Issued[];
  readonly bills: readonly BillDue[];
}) {
  const done = issued.flatMap((each) => ('number' in each ? [each] : []));
  const refused = issued.flatMap((each) => ('refused' in each ? [each] : []));
  const nameOf = (id: string) => bills.find(({ agreementId }) => agreementId === id)?.agreement ?? '';
  return (
    <>
      {done.length > 0 && (
        <Alert
          type="success"
          role="status"
          className="below"
          title={`Issued: ${done.map(({ number, sentTo }) => (sentTo === null ? `${number} (not sent)` : number)).join(', ')}.`}
        />
      )}
      {refused.map(({ agreementId, refused: why }) => (
        <Alert key={agreementId} type="error" className="below" title={`${nameOf(agreementId)}: ${why}`} />
      ))}
    </>
  );
}

/** The columns: whose, what it bills, when it is due, what the schedule asks for and what is to pay. */
const columnsOf = (title: string): TableColumnType<BillDue>[] => [
  { key: 'number', title: 'No.', dataIndex: 'number', onCell: () => namedCell('No.') },
  {
    key: 'agreement',
    title: 'Agreement',
    onCell: () => namedCell('Agreement'),
    render: (_, { agreementId, agreement }) => (
      <Link href={`/agreements/${agreementId}`} prefetch={false}>
        {agreement}
      </Link>
    ),
  },
  {
    key: 'customer',
    title: 'Customer',
    onCell: () => namedCell('Customer'),
    render: (_, { customer, to }) => (
      <>
        {customer} <span className="soft block">{to || 'no email address'}</span>
      </>
    ),
  },
  {
    key: 'what',
    title: 'Bills',
    onCell: () => namedCell('Bills'),
    render: (_, { preview, inWork }) => (
      <>
        {preview.title}
        {inWork && <span className="soft block">An invoice is in work: look at it first.</span>}
      </>
    ),
  },
  {
    key: 'due',
    title: 'Due',
    className: 'nowrap',
    onCell: () => namedCell('Due'),
    render: (_, { dueOn }) => showShortDate(dueOn),
  },
  {
    key: 'toBill',
    title,
    align: 'right',
    className: 'amount',
    onCell: () => namedCell(title),
    render: (_, { toBill }) => showDecimal(toBill),
  },
  {
    key: 'total',
    title: 'To pay',
    align: 'right',
    className: 'amount',
    onCell: () => namedCell('To pay'),
    render: (_, { preview }) => showDecimal(preview.total),
  },
  {
    key: 'act',
    title: '',
    align: 'right',
    render: (_, { agreementId }) => (
      <Link href={`/agreements/${agreementId}/bill?due`} prefetch={false}>
        Bill it
      </Link>
    ),
  },
];

/**
 * What the schedules ask to be billed by today, agreement by agreement, each with its invoice as it would come out; those
 * ticked are issued in one go, after a question, and sent.
 */
export function BillsDue({
  title,
  bills,
  more,
  words,
  currency,
  issue,
}: {
  readonly title: string;
  readonly bills: readonly BillDue[];
  /** More can be billed than are listed. */
  readonly more: boolean;
  /** The company's words before all else in the letter. */
  readonly words: string;
  readonly currency: string;
  readonly issue: (input: IssueManyInput) => Promise<Answer<{ readonly issued: readonly Issued[] }>>;
}) {
  const router = useRouter();
  const confirmed = useConfirmed();
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [sends, setSends] = useState(true);
  const [came, setCame] = useState<{ issued: readonly Issued[]; bills: readonly BillDue[] } | null>(null);
  const chosen = bills.filter(({ agreementId, inWork }) => !inWork && ticked.includes(agreementId));
  const ask = () =>
    confirmed(
      {
        title: `Issue ${many(chosen.length)} for ${together(chosen.map(({ preview }) => preview.total))} ${currency}?`,
        content: `Issued, they never change; what is wrong on one is taken back by a credit note. ${
          sends ? goesTo(chosen) : 'Nothing is sent.'
        }`,
        okText: sends ? 'Issue and send' : 'Issue',
      },
      () =>
        issue({
          bills: chosen.map(({ agreementId, ask: what, seen, to }) => ({
            ...{ agreementId, what, seen },
            ...(sends && to !== '' ? { send: { to, words } } : {}),
          })),
        }),
      {
        then: ({ issued }) => {
          setCame({ issued, bills: chosen });
          setTicked([]);
          router.refresh();
        },
      },
    );
  return (
    <>
      {came && <Outcome {...came} />}
      {bills.length === 0 ? (
        <p className="empty">Nothing waits to be billed.</p>
      ) : (
        <>
          <Table<BillDue>
            className="table-plain bills-due"
            aria-label={title}
            rowKey="agreementId"
            size="small"
            pagination={false}
            dataSource={bills}
            rowSelection={{
              selectedRowKeys: [...ticked],
              onChange: (keys) => setTicked(keys.map(String)),
              getCheckboxProps: ({ agreement, inWork }) => ({
                disabled: inWork,
                'aria-label': `Bill ${agreement}`,
              }),
              getTitleCheckboxProps: () => ({ 'aria-label': 'Bill all of them' }),
            }}
            expandable={{ expandedRowRender: (bill) => <BillDuePreview bill={bill} currency={currency} /> }}
            columns={columnsOf(title)}
          />
          {more && <p className="soft">More can be billed; they follow once these are.</p>}
          <p className="bills-due-act">
            <Button type="primary" disabled={chosen.length === 0} onClick={ask}>
              {chosen.length === 0 ? 'Issue invoices …' : `Issue ${many(chosen.length)} …`}
            </Button>
            <Checkbox checked={sends} onChange={({ target }) => setSends(target.checked)}>
              Send each by email as it is issued
            </Checkbox>
            {chosen.length > 0 && (
              <span className="soft">
                {together(chosen.map(({ preview }) => preview.total))} {currency}
              </span>
            )}
          </p>
        </>
      )}
    </>
  );
}
