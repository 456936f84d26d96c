import type { PaperParty } from './invoicePaper';

/** A customer's account as its formats need it: plain values, amounts as decimal text in the currency. */
export interface AccountPaper {
  readonly seller: PaperParty;
  readonly buyer: PaperParty;
  readonly currency: string;
  readonly from: string;
  readonly to: string;
  /** Owed before the first day. */
  readonly opening: string;
  readonly rows: readonly {
    readonly day: string;
    readonly what: string;
    readonly detail: string;
    /** Above zero, the customer owes more. */
    readonly amount: string;
    readonly balance: string;
  }[];
  readonly closing: string;
  /** Invoices that are open as this is written. */
  readonly open: readonly {
    readonly id: string;
    readonly number: string;
    readonly title: string;
    readonly dueOn: string;
    readonly late: boolean;
    readonly open: string;
  }[];
}
