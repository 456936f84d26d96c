import Link from 'next/link';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { isNothing, showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import { PlainTable } from '@/ui/tables/PlainTable';
import { InvoiceState } from '../billing/InvoiceState';

/** The invoices of an agreement, each with its papers. */
export function AgreementInvoices({ invoices }: Pick<AgreementAtDesk, 'invoices'>) {
  if (invoices.length === 0) return <p className="empty">Nothing is billed yet.</p>;
  return (
    <PlainTable
      label="Invoices"
      rows={invoices}
      rowKey={({ id }) => id}
      columns={[
        {
          key: 'number',
          title: 'No.',
          className: 'nowrap',
          cell: ({ id, number }) => (
            <Link href={`/money/${id}`} prefetch={false}>
              {number}
            </Link>
          ),
        },
        { key: 'title', title: 'For', cell: ({ title }) => title },
        {
          key: 'issued',
          title: 'Issued',
          className: 'nowrap',
          cell: ({ issuedOn }) => showShortDate(issuedOn),
        },
        {
          key: 'due',
          title: 'Due',
          className: 'nowrap',
          cell: ({ kind, dueOn }) => (kind === 'credit note' ? '' : showShortDate(dueOn)),
        },
        { key: 'state', title: 'State', cell: (invoice) => <InvoiceState invoice={invoice} /> },
        { key: 'total', title: 'Total', figure: true, cell: ({ total }) => showDecimal(total) },
        {
          key: 'open',
          title: 'Open',
          figure: true,
          cell: ({ open }) => (isNothing(open) ? '' : showDecimal(open)),
        },
        {
          key: 'papers',
          title: 'Papers',
          className: 'nowrap',
          cell: ({ id }) => (
            <>
              <a href={`/api/v1/invoices/${id}/invoice.pdf`}>PDF</a> ·{' '}
              <a href={`/api/v1/invoices/${id}/invoice.xml`}>UBL</a>
            </>
          ),
        },
      ]}
    />
  );
}
