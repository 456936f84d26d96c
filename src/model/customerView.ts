import type { Choices } from './choices';
import type { BillingTerms } from './billing';
import type { ChangeTerms } from './change';
import type { ScheduleEntry, Shows } from './document';
import type { PlanFigure, Traced } from './plan';

/*
 * What the customer may see: a type of its own, built by one function (core/offer/customerView) from a document and
 * choices. Amounts are decimal text in the currency of the view. There is no field here for a cost, a margin or a note
 * of ours, and the booklet can reach nothing else.
 */

/** A part of a bundle that shows its parts. */
export interface CustomerPart {
  readonly id: string;
  readonly description: string;
  readonly unit: string;
  readonly quantity: string | null;
  readonly unitPrice: string | null;
  readonly amount: string | null;
  readonly discount: string | null;
  readonly minimum: boolean;
}

export interface CustomerLine {
  readonly kind: 'line';
  readonly id: string;
  readonly description: string;
  readonly detail: string | null;
  /** A picture of it, as a kept file; absent where there is none. */
  readonly picture?: string;
  /** Money set aside: what may be spent, and how the difference is settled, in words. */
  readonly allowance: string | null;
  /** Shown with line amounts. */
  readonly quantity: string | null;
  readonly unit: string;
  /** Shown with unit prices. */
  readonly unitPrice: string | null;
  /** Net of the line's own discount; shown with line amounts. */
  readonly amount: string | null;
  /** The line's own discount, shown with unit prices. */
  readonly discount: string | null;
  /** The amount is a minimum charge, not quantity × unit price. */
  readonly minimum: boolean;
  /** Parts of a bundle that shows them; empty for everything else. */
  readonly parts: readonly CustomerPart[];
}

/** A pick that could not be kept. */
export interface LostPick {
  /** What it was about: the question, the level or the extra, as it was called. */
  readonly about: string;
  /** What was picked. */
  readonly picked: string;
  /** Why it could not be kept, as a sentence. */
  readonly because: string;
}

/** How to get to something that a rule is against: choices with it, and what else changes in them, in words. */
export interface Way {
  readonly choices: Choices;
  readonly words: readonly string[];
}

export interface CustomerExtra extends Omit<CustomerLine, 'kind'> {
  readonly kind: 'extra';
  readonly in: boolean;
  readonly chosenQuantity: string;
  readonly limits: { readonly minimum: string; readonly maximum: string; readonly step: string } | null;
  /** What the price is with it less what it is without it, on the basis of the page. */
  readonly difference: string;
  /** Until when it can be decided. */
  readonly until: string | null;
  /** Why it cannot be changed as things stand. */
  readonly hindrance: string | null;
  readonly way: Way | null;
}

export interface CustomerAlternative {
  readonly id: string;
  readonly name: string;
  readonly detail: string | null;
  readonly picked: boolean;
  readonly suggested: boolean;
  readonly recommended: boolean;
  /** A picture of it, as a kept file. */
  readonly picture: string | null;
  /** The price with it less the price now, on the basis of the page. */
  readonly difference: string;
  /** Why it cannot be picked as things stand. */
  readonly hindrance: string | null;
  readonly way: Way | null;
  /** Shown with line amounts, for the one picked. */
  readonly amount: string | null;
}

export interface CustomerQuestion {
  readonly kind: 'question';
  readonly id: string;
  readonly prompt: string;
  readonly detail: string | null;
  /** Why we recommend the one we do. */
  readonly reason: string | null;
  readonly until: string | null;
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
  /** Why, where it is shown and said. */
  readonly discountReason: string | null;
  /** Where the whole section may be left out. */
  readonly choice: Pick<CustomerExtra, 'in' | 'difference' | 'until' | 'hindrance' | 'way'> | null;
  readonly entries: readonly CustomerEntry[];
}

export interface CustomerLevel {
  readonly id: string;
  readonly name: string;
  readonly detail: string | null;
  readonly picked: boolean;
  readonly suggested: boolean;
  readonly recommended: boolean;
  /** The price with it less the price now, on the basis of the page. */
  readonly difference: string;
  /** The price with it, everything else as chosen, on the basis of the page. */
  readonly total: string;
  readonly hindrance: string | null;
  readonly way: Way | null;
}

/** Levels of the whole or of a section, side by side. */
export interface CustomerLevels {
  readonly id: string;
  readonly prompt: string;
  readonly detail: string | null;
  /** The section it is of; null for the whole. */
  readonly section: string | null;
  readonly reason: string | null;
  readonly until: string | null;
  readonly levels: readonly CustomerLevel[];
  /** What differs, in the order of the levels; null where a level does not have it. */
  readonly rows: readonly { readonly name: string; readonly cells: readonly (string | null)[] }[];
}

export interface CustomerPayment {
  readonly id: string;
  readonly name: string;
  readonly kind: ScheduleEntry['kind'];
  readonly amount: string;
  readonly due: ScheduleEntry['due'];
  /** The day its stage is planned to be done. */
  readonly planned: string | null;
}

/** A plan the customer sees, with what was traced on it and its quantities in words. */
export interface CustomerPlan {
  readonly id: string;
  readonly name: string;
  readonly file: string;
  /** Tenths of a pixel, as the points of the figures. */
  readonly width: number;
  readonly height: number;
  readonly marks: readonly {
    readonly id: string;
    readonly label: string;
    readonly kind: Traced['kind'];
    readonly figures: readonly PlanFigure[];
    readonly quantity: string | null;
  }[];
}

/** How the prices on a page are to be read, all of them alike: cards, sections, lines, levels. */
export type CustomerBasis = 'with tax' | 'before tax' | 'no tax';

export interface CustomerView {
  readonly title: string;
  readonly currency: string;
  readonly shows: Shows;
  readonly coverNote: string | null;
  readonly terms: string | null;
  /** It is a change order. */
  readonly change: ChangeTerms | null;
  readonly validUntil: string | null;
  readonly tiers: readonly CustomerLevels[];
  readonly sections: readonly CustomerSection[];
  readonly plans: readonly CustomerPlan[];
  readonly discount: string | null;
  /** Why, where it is shown and said. */
  readonly discountReason: string | null;
  readonly fees: readonly { readonly id: string; readonly name: string; readonly amount: string }[];
  readonly taxes: readonly {
    readonly id: string;
    readonly name: string;
    readonly percent: string;
    readonly amount: string;
  }[];
  readonly taxTotal: string;
  readonly basis: CustomerBasis;
  /** The prices include the tax: it is said as a part of the total. */
  readonly taxInside: boolean;
  /** Why no tax is charged. */
  readonly exempt: string | null;
  readonly total: string;
  readonly payments: readonly CustomerPayment[];
  readonly billing: BillingTerms;
  /** What is due on acceptance as a deposit; null when nothing is. */
  readonly deposit: string | null;
}

/** One thing that is different between two states of an offer, as the customer may read it. */
export interface Change {
  readonly what: string;
  readonly before: string | null;
  readonly after: string | null;
}
