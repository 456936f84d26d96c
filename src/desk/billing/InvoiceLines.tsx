import { isNothing, showDecimal } from '@/core/number';
import type { InvoiceAtDesk } from '@/services/billing/invoiceAtDesk';
import { PlainTable } from '@/ui/tables/PlainTable';

const amount = (text: string) => (isNothing(text) ? '' : showDecimal(text));

/** What an invoice bills: its lines against what was agreed and billed before, and what stands beside the work. */
export function InvoiceLines({ invoice }: { readonly invoice: InvoiceAtDesk }) {
  const this_ = invoice.kind === 'credit note' ? 'This note' : 'This invoice';
  return (
    <PlainTable
      label={invoice.ofAgreement ? 'Work' : 'Charged'}
      headless={!invoice.ofAgreement}
      rows={invoice.lines}
      rowKey={({ id }) => id}
      groupOf={({ section }) => section}
      columns={[
        {
          key: 'work',
          title: 'Work',
          cell: ({ description, change }) => (
            <>
              {description}
              {change !== null && <span className="soft"> · change order {change}</span>}
            </>
          ),
        },
        { key: 'agreed', title: 'Agreed', figure: true, cell: ({ agreed }) => showDecimal(agreed) },
        { key: 'before', title: 'Before', figure: true, cell: ({ before }) => amount(before) },
        { key: 'this', title: this_, figure: true, cell: ({ net }) => amount(net) },
        { key: 'toDate', title: 'To date', figure: true, cell: ({ toDate }) => amount(toDate) },
        { key: 'percent', title: '%', figure: true, cell: ({ percent }) => percent },
        { key: 'left', title: 'Balance', figure: true, cell: ({ left }) => amount(left) },
      ]}
      foot={[
        ...(invoice.lines.length > 0 && invoice.apart.length > 0
          ? [{ work: 'Work, net', this: showDecimal(invoice.work) }]
          : []),
        ...invoice.apart.map((part) => ({ work: `${part.name}, net`, this: showDecimal(part.net) })),
      ]}
    />
  );
}
