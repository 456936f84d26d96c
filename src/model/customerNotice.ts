/** What must be known of a customer before work starts. */
export interface CustomerNotice {
  /** Our note on them, where it is marked to be shown; empty: none is. */
  readonly alert: string;
  /** Billed and not paid, as decimal text. */
  readonly open: string;
  /** Of that, overdue. */
  readonly late: string;
}
