'use client';

import { Button } from 'antd';
import Link from 'next/link';
import type { InvoiceListRow } from '@/services/billing/invoiceList';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';
import type { Answer } from '@/model';
import { useConfirmed } from '@/ui/useConfirmed';

type Remind = (input: { readonly invoiceIds: readonly string[] }) => Promise<Answer<{ sent: number }>>;

/** Sends the reminders that are due for those selected. */
function PickedActs({
  rows,
  done,
  remind,
}: {
  readonly rows: readonly InvoiceListRow[];
  readonly done: () => void;
  readonly remind: Remind;
}) {
  const confirmed = useConfirmed();
  const send = () =>
    confirmed(
      {
        title:
          rows.length === 1
            ? 'Send the reminder that is due?'
            : `Send the reminders due for these ${rows.length} invoices?`,
        content: 'By email, as your settings have it. Where none is due, none goes out.',
        okText: 'Send',
      },
      () => remind({ invoiceIds: rows.map(({ id }) => id) }),
      {
        said: ({ sent }) =>
          sent === 0
            ? 'No reminder is due for any of them: by your settings, or because it went out already.'
            : sent === rows.length
              ? `${sent} ${sent === 1 ? 'reminder is' : 'reminders are'} sent.`
              : `${sent} ${sent === 1 ? 'reminder is' : 'reminders are'} sent; for the others none is due.`,
        then: done,
      },
    );
  return (
    <Button size="small" onClick={send}>
      Send reminders due …
    </Button>
  );
}

/** Invoices and credit notes, found, filtered, sorted and exported. */
export const InvoiceList = ({
  remind,
  ...props
}: ListProps<InvoiceListRow> & {
  /** Null for who may not. */
  readonly remind: Remind | null;
}) => (
  <ListTable
    {...props}
    {...(remind
      ? {
          acts: (rows: readonly InvoiceListRow[], done: () => void) => (
            <PickedActs rows={rows} done={done} remind={remind} />
          ),
        }
      : {})}
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
