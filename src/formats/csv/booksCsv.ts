import { writeCsv } from './writeCsv';

/** One amount of a paper, as plain text. */
export interface ItemRow {
  /** Number of the batch. */
  readonly batch: string;
  readonly document: string;
  readonly kind: string;
  readonly issued_on: string;
  readonly due_on: string;
  readonly customer: string;
  readonly agreement: string;
  readonly change_order: string;
  readonly section: string;
  readonly bundle: string;
  readonly item: string;
  readonly cost_code: string;
  readonly cost_type: string;
  readonly tax_class: string;
  readonly what: string;
  readonly tax_component: string;
  readonly tax_rate: string;
  /** Decimal text in the currency; those of a document sum to its total. */
  readonly amount: string;
  readonly currency: string;
}

/** One line of the journal, as plain text. Lines of one entry sum to the same on both sides. */
export interface JournalRow {
  /** Number of the batch. */
  readonly batch: string;
  /** Counts on from batch to batch. */
  readonly entry: string;
  readonly date: string;
  readonly account: string;
  readonly text: string;
  /** The paper, or the invoices a payment was put on. */
  readonly document: string;
  /** Number of a payment; empty on papers. */
  readonly payment: string;
  readonly customer: string;
  readonly agreement: string;
  readonly cost_code: string;
  readonly tax_component: string;
  readonly debit: string;
  readonly credit: string;
  readonly currency: string;
}

const itemColumns: readonly (keyof ItemRow)[] = [
  ...(['batch', 'document', 'kind', 'issued_on', 'due_on', 'customer', 'agreement', 'change_order'] as const),
  ...(['section', 'bundle', 'item', 'cost_code', 'cost_type', 'tax_class', 'what'] as const),
  ...(['tax_component', 'tax_rate', 'amount', 'currency'] as const),
];
const journalColumns: readonly (keyof JournalRow)[] = [
  ...(['batch', 'entry', 'date', 'account', 'text', 'document', 'payment', 'customer', 'agreement'] as const),
  ...(['cost_code', 'tax_component', 'debit', 'credit', 'currency'] as const),
];
const numbers: ReadonlySet<string> = new Set(['amount', 'debit', 'credit', 'tax_rate']);

/** Papers broken into their items, as CSV (RFC 4180; docs/formats/books-csv.md). */
export const itemsCsv = (rows: readonly ItemRow[]): string => writeCsv<ItemRow>(itemColumns, rows, numbers);

/** A journal as CSV (RFC 4180; docs/formats/books-csv.md). */
export const journalCsv = (rows: readonly JournalRow[]): string =>
  writeCsv<JournalRow>(journalColumns, rows, numbers);
