import type { InvoicePaper } from './invoicePaper';

/** Columns of a progress statement, as decimal text; the percentage as people read it. */
export interface StatementColumns {
  readonly agreed: string;
  readonly before: string;
  readonly now: string;
  readonly toDate: string;
  readonly percent: string;
  readonly left: string;
}

/** A progress statement: an invoice with every line of the agreement beside it. */
export interface StatementPaper extends InvoicePaper {
  readonly rows: readonly (StatementColumns & {
    readonly id: string;
    readonly section: string;
    readonly change: number | null;
    readonly description: string;
  })[];
  readonly sums: Readonly<Record<'net' | 'tax' | 'gross', StatementColumns>>;
  /** Sums with tax, from the contract sum to the balance to finish. */
  readonly application: Readonly<
    Record<
      | 'original'
      | 'changes'
      | 'sumToDate'
      | 'completed'
      | 'held'
      | 'earned'
      | 'ahead'
      | 'billedBefore'
      | 'due'
      | 'toFinish',
      string
    >
  >;
  readonly retainagePercent: string | null;
}
