import type { ScheduleEntry, Shows } from './document';

/*
 * What the customer may see: a type of its own, built by one function (core/offer/customerView) from a document and
 * choices. Amounts are decimal text in the currency of the view. There is no field here for a cost, a margin or a note
 * of ours, and the booklet can reach nothing else.
 */

export interface CustomerLine {
  readonly kind: 'line';
  readonly id: string;
  readonly description: string;
  readonly detail: string | null;
  /** Shown with line amounts. */
  readonly quantity: string | null;
  readonly unit: string;
  /** Shown with unit prices. */
  readonly unitPrice: string | null;
  /** Net of the line's own discount; shown with line amounts. */
  readonly amount: string | null;
  /** The line's own discount, shown with unit prices. */
  readonly discount: string | null;
}

export interface CustomerExtra extends Omit<CustomerLine, 'kind'> {
  readonly kind: 'extra';
  readonly in: boolean;
  readonly chosenQuantity: string;
  readonly limits: { readonly minimum: string; readonly maximum: string; readonly step: string } | null;
  /** Total with it less total without it, tax in. */
  readonly difference: string;
}

export interface CustomerAlternative {
  readonly id: string;
  readonly name: string;
  readonly detail: string | null;
  readonly picked: boolean;
  readonly suggested: boolean;
  /** Total with it less total now, tax in. */
  readonly difference: string;
  /** Shown with line amounts, for the one picked. */
  readonly amount: string | null;
}

export interface CustomerQuestion {
  readonly kind: 'question';
  readonly id: string;
  readonly prompt: string;
  readonly detail: string | null;
  readonly alternatives: readonly CustomerAlternative[];
}

export type CustomerEntry = CustomerLine | CustomerExtra | CustomerQuestion;

export interface CustomerSection {
  readonly id: string;
  readonly title: string;
  readonly text: string | null;
  readonly amount: string | null;
  /** Discount on the section, shown where its lines are. */
  readonly discount: string | null;
  readonly entries: readonly CustomerEntry[];
}

export interface CustomerPayment {
  readonly id: string;
  readonly name: string;
  readonly kind: ScheduleEntry['kind'];
  readonly amount: string;
  readonly due: ScheduleEntry['due'];
}

export interface CustomerView {
  readonly title: string;
  readonly currency: string;
  readonly shows: Shows;
  readonly coverNote: string | null;
  readonly terms: string | null;
  readonly validUntil: string | null;
  readonly sections: readonly CustomerSection[];
  readonly discount: string | null;
  readonly fees: readonly { readonly id: string; readonly name: string; readonly amount: string }[];
  readonly taxes: readonly {
    readonly id: string;
    readonly name: string;
    readonly percent: string;
    readonly amount: string;
  }[];
  readonly taxTotal: string;
  readonly total: string;
  readonly payments: readonly CustomerPayment[];
  /** What is due on acceptance as a deposit; null when nothing is. */
  readonly deposit: string | null;
}
