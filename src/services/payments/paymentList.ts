import { sql } from 'drizzle-orm';
import type { ListSpec } from '@/core/lists';
import type { PaymentMethod } from '@/core/text/names';
import type { DeskList } from '../lists/deskList';

/** Money in, or (below zero) out again, as its list shows it. */
export interface PaymentListRow {
  readonly id: string;
  readonly kind: 'payment' | 'returned' | 'void' | 'reinstated' | 'refund';
  readonly day: string;
  readonly customer: string;
  readonly customerId: string;
  readonly agreement: string;
  readonly agreementId: string;
  readonly method: PaymentMethod;
  readonly text: string;
  readonly amount: string;
}

const spec: ListSpec = {
  name: 'payments',
  columns: [
    { key: 'day', title: 'Day', kind: 'date' },
    { key: 'customer', title: 'Customer', kind: 'text' },
    { key: 'agreement', title: 'Agreement', kind: 'text' },
    { key: 'kind', title: 'What', kind: 'text' },
    { key: 'method', title: 'How', kind: 'text' },
    { key: 'text', title: 'Reference or reason', kind: 'text' },
    { key: 'amount', title: 'Amount', kind: 'amount', total: true },
  ],
  filters: [
    {
      key: 'kind',
      label: 'What',
      kind: 'choice',
      options: [
        { value: 'payment', label: 'Payment' },
        { value: 'returned', label: 'Payment returned' },
        { value: 'void', label: 'Payment void' },
        { value: 'reinstated', label: 'Payment reinstated' },
        { value: 'refund', label: 'Refund' },
      ],
    },
    {
      key: 'method',
      label: 'How',
      kind: 'choice',
      options: [
        { value: 'card', label: 'Card' },
        { value: 'cheque', label: 'Check' },
        { value: 'transfer', label: 'Bank transfer' },
        { value: 'cash', label: 'Cash' },
      ],
    },
    { key: 'day', label: 'Day', kind: 'days' },
    { key: 'amount', label: 'Amount', kind: 'amounts' },
  ],
  sort: { by: 'day', down: true },
};

/** Payments, those returned or void, and refunds: what the sum received in a time is made of. */
export const paymentList: DeskList<PaymentListRow> = {
  spec: () => spec,
  source: () => ({
    from: sql`(
        select id, company_id, customer_id, agreement_id, 'payment' as kind, method, amount, received_on as day,
          reference as text, recorded_at from payment
        union all
        select r.id, r.company_id, p.customer_id, p.agreement_id,
          case when r.amount < 0 then 'reinstated' else r.kind end, p.method, -r.amount, r.happened_on, r.reason,
          r.recorded_at
        from payment_reversal r join payment p on p.company_id = r.company_id and p.id = r.payment_id
        union all
        select id, company_id, customer_id, agreement_id, 'refund', method, -amount, paid_on, reference, recorded_at
        from refund) m
      join customer c on c.company_id = m.company_id and c.id = m.customer_id
      join agreement a on a.company_id = m.company_id and a.id = m.agreement_id`,
    columns: {
      day: sql`m.day::text`,
      customer: sql`c.name`,
      agreement: sql`a.title`,
      kind: sql`m.kind`,
      method: sql`m.method`,
      text: sql`m.text`,
      amount: sql`m.amount`,
    },
    also: { id: sql`m.id`, customerId: sql`c.id`, agreementId: sql`a.id` },
    sortBy: { day: sql`(m.day, m.recorded_at)` },
    words: [sql`c.name`, sql`a.title`, sql`m.text`],
    filters: { kind: sql`m.kind`, method: sql`m.method`, day: sql`m.day`, amount: sql`m.amount` },
    id: sql`m.id`,
  }),
};
