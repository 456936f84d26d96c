import { invoiceListSource } from '@/data/billing/invoiceListSource';
import { standingsByInvoice } from '@/data/billing/settled';
import type { InvoiceStanding, InvoiceState, IssuedKind } from '@/core/billing';
import { isOverdue } from '@/core/billing';
import type { ListSpec } from '@/core/lists';
import { moneyOf } from '@/core/number';
import type { DeskList } from '../lists/deskList';

interface Raw {
  readonly id: string;
  readonly number: string;
  readonly what: string;
  readonly kind: IssuedKind;
  readonly agreement: string;
  readonly agreementId: string;
  readonly agreementNumber: number;
  readonly customer: string;
  readonly issued: string;
  readonly due: string;
  readonly total: string;
}

/** An invoice or credit note as its list shows it. */
export interface InvoiceListRow extends Omit<Raw, 'due'> {
  /** Null on a credit note. */
  readonly due: string | null;
  readonly state: InvoiceState | 'overdue' | 'credit note';
  readonly paid: string;
  readonly open: string;
  readonly overdue: boolean;
}

/** How many rows are looked up at once. */
const CHUNK = 5_000;

const spec: ListSpec = {
  name: 'invoices',
  columns: [
    { key: 'number', title: 'No.', kind: 'text' },
    { key: 'what', title: 'For', kind: 'text' },
    { key: 'agreement', title: 'Agreement', kind: 'text' },
    { key: 'customer', title: 'Customer', kind: 'text' },
    { key: 'issued', title: 'Issued', kind: 'date' },
    { key: 'due', title: 'Due', kind: 'date' },
    { key: 'state', title: 'State', kind: 'state', unsorted: true },
    { key: 'total', title: 'Total', kind: 'amount', total: true },
    { key: 'open', title: 'Open', kind: 'amount', total: true },
  ],
  filters: [
    {
      key: 'state',
      label: 'State',
      kind: 'choice',
      options: [
        { value: 'outstanding', label: 'Outstanding' },
        { value: 'overdue', label: 'Overdue' },
        { value: 'settled', label: 'Nothing open' },
      ],
    },
    {
      key: 'kind',
      label: 'Kind',
      kind: 'choice',
      options: [
        { value: 'invoice', label: 'Invoice' },
        { value: 'advance', label: 'Deposit' },
        { value: 'release', label: 'Retainage release' },
        { value: 'late charge', label: 'Late charge' },
        { value: 'credit note', label: 'Credit note' },
      ],
    },
    { key: 'issued', label: 'Issued', kind: 'days' },
    { key: 'due', label: 'Due', kind: 'days' },
    { key: 'total', label: 'Total', kind: 'amounts' },
  ],
  sort: { by: 'issued', down: true },
};

/** Everything issued. What is open is the sum the database keeps (held equal to the core's); states are the core's. */
export const invoiceList: DeskList<Raw, InvoiceListRow> = {
  spec: () => spec,
  source: invoiceListSource,
  finish: async ({ tx, today, digits }, rows) => {
    const shown: InvoiceListRow[] = [];
    for (let at = 0; at < rows.length; at += CHUNK) {
      const part = rows.slice(at, at + CHUNK);
      const standings = await standingsByInvoice(tx, part, digits);
      shown.push(...part.map((row) => rowOf(row, standings.get(row.id)!, digits, today)));
    }
    return shown;
  },
};

function rowOf(
  { due, ...row }: Raw,
  standing: InvoiceStanding,
  digits: number,
  today: string,
): InvoiceListRow {
  const { write } = moneyOf(digits);
  const note = row.kind === 'credit note';
  const overdue = isOverdue(standing, due, today);
  return {
    ...row,
    due: note ? null : due,
    state: note ? 'credit note' : overdue ? 'overdue' : standing.state,
    paid: write(standing.paid),
    open: write(standing.open),
    overdue,
  };
}
