import { StateMark } from '@/ui/StateMark';

/** How far an invoice is; a credit note is nothing that could be paid. */
export const InvoiceState = ({
  invoice: { kind, state, overdue },
}: {
  invoice: { readonly kind: string; readonly state: string; readonly overdue: boolean };
}) => <StateMark state={overdue ? 'overdue' : kind === 'credit note' ? 'credit note' : state} />;
