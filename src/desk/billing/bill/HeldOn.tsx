import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { Amount } from '@/core/number';
import { showAmount, showDecimal } from '@/core/number';
import { PlainTable } from '@/ui/tables/PlainTable';

/** What is held back of which invoice, and what was released of it. */
export function HeldOn({ work, held }: { work: ProgressBilling; held: Amount }) {
  return (
    <PlainTable
      label="Retainage"
      rows={work.heldOn}
      rowKey={({ label }) => label}
      columns={[
        { key: 'invoice', title: 'Invoice', cell: ({ label }) => label },
        { key: 'for', title: 'For', cell: ({ title }) => title },
        {
          key: 'amount',
          title: 'Retainage, including tax',
          figure: true,
          cell: ({ amount }) => showDecimal(amount),
        },
      ]}
      foot={[{ invoice: 'Held', amount: showAmount(held, work.ledger.minorDigits) }]}
    />
  );
}
