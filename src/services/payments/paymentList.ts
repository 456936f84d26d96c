import { ownMethodsUsed, paymentListSource } from '@/data/payments/paymentListSource';
import type { ListSpec } from '@/core/lists';
import { capital } from '@/core/text/capital';
import { methodName } from '@/core/text/names';
import type { PaymentMethod } from '@/model';
import { methodKeys } from '@/model';
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
  /** What the company calls it, where that is a name of its own. */
  readonly methodName: string | null;
  readonly text: string;
  readonly amount: string;
}

const spec = (own: readonly string[]): ListSpec => ({
  name: 'payments',
  columns: [
    { key: 'day', title: 'Day', kind: 'date' },
    { key: 'customer', title: 'Customer', kind: 'text' },
    { key: 'agreement', title: 'Agreement', kind: 'text' },
    { key: 'kind', title: 'What', kind: 'text' },
    { key: 'method', title: 'How', kind: 'text' },
    { key: 'methodName', title: 'Called', kind: 'text', shown: false },
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
        ...methodKeys.map((value) => ({ value: value as string, label: capital(methodName(value)) })),
        ...own.map((value) => ({ value, label: value })),
      ],
    },
    { key: 'day', label: 'Day', kind: 'days' },
    { key: 'amount', label: 'Amount', kind: 'amounts' },
  ],
  sort: { by: 'day', down: true },
});

/** Payments, those returned or void, and refunds: what the sum received in a time is made of. */
export const paymentList: DeskList<PaymentListRow> = {
  spec: async ({ tx }) => spec(await ownMethodsUsed(tx)),
  source: paymentListSource,
};
