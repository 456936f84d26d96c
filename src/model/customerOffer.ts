import type { BillingTerms } from './billing';
import type { ChangeTerms } from './change';
import type { CustomerPart, CustomerPlan } from './customerView';
import type { Discount, Fee, ScheduleEntry, Shows, Stage, TaxClass, TaxTerms } from './document';
import type { Menu, Test } from './menu';

/*
 * A proposal as the customer's browser may hold it: everything that can be seen under any choices, with prices as far as
 * they may be seen and no cost, margin, load, code or note of ours. What is always in is one sum by section, or one sum
 * of all where section prices are not shown.
 */

/** Net of what is in one tax class, above and below zero, in minor units. */
export type SumText = readonly [taxClass: string, above: string, below: string];

/** A line or bundle as it reads when it is in. */
export interface OfferShown {
  readonly description: string;
  readonly detail: string | null;
  /** A picture of it, as a kept file; absent where there is none. */
  readonly picture?: string;
  readonly allowance: string | null;
  readonly unit: string;
  readonly quantity: string | null;
  readonly unitPrice: string | null;
  readonly amount: string | null;
  readonly discount: string | null;
  readonly minimum: boolean;
  readonly parts: readonly OfferPart[];
  /** Its net by tax class, where the customer reads prices with the tax in them. */
  readonly bearing?: readonly SumText[];
}

/** A part that is shown; what bears tax in it is for working out, and not shown. */
export interface OfferPart extends CustomerPart {
  readonly bearing?: readonly SumText[];
}

export interface OfferVariant {
  readonly when: readonly Test[];
  readonly shown: OfferShown;
  /** Empty where the piece counts in the fixed sum. */
  readonly sums: readonly SumText[];
}

/** A line whose quantity the customer may set. */
export interface OfferStepped {
  readonly taxClass: string;
  readonly offered: string;
  /** By quantity; the one at `*` for every quantity that is not named. */
  readonly unitPrices: Readonly<Record<string, string>>;
  readonly places: number;
  readonly discount: Discount | null;
  /** The least it comes to, where its price is not fixed. */
  readonly minimumCharge: string | null;
  /** Its discount goes down to that and no further. */
  readonly keepsMinimum: boolean;
}

export interface OfferPiece {
  readonly kind: 'piece';
  readonly id: string;
  /** It is an extra of its own. */
  readonly extra: boolean;
  readonly when: readonly Test[];
  readonly variants: readonly OfferVariant[];
  readonly stepped: OfferStepped | null;
}

export interface OfferAlternative {
  readonly id: string;
  readonly detail: string | null;
  readonly picture: string | null;
  readonly pieces: readonly OfferPiece[];
}

export interface OfferQuestion {
  readonly kind: 'question';
  readonly id: string;
  readonly detail: string | null;
  readonly when: readonly Test[];
  readonly recommended: string | null;
  readonly reason: string | null;
  readonly alternatives: readonly OfferAlternative[];
}

export interface OfferSection {
  readonly id: string;
  readonly title: string;
  readonly text: string | null;
  readonly discount: Discount | null;
  readonly extra: boolean;
  readonly when: readonly Test[];
  readonly fixed: readonly SumText[];
  readonly entries: readonly (OfferPiece | OfferQuestion)[];
}

/** Levels side by side: what differs, row by row; null where a level does not have it. */
export interface OfferLevels {
  readonly id: string;
  readonly detail: string | null;
  readonly section: string | null;
  readonly recommended: string | null;
  readonly reason: string | null;
  readonly details: readonly (string | null)[];
  readonly rows: readonly { readonly name: string; readonly cells: readonly (string | null)[] }[];
}

export interface CustomerOffer {
  readonly title: string;
  readonly currency: string;
  readonly minorDigits: number;
  readonly shows: Shows;
  readonly coverNote: string | null;
  readonly terms: string | null;
  readonly validUntil: string | null;
  readonly menu: Menu;
  readonly fixed: readonly SumText[];
  readonly sections: readonly OfferSection[];
  readonly tiers: readonly OfferLevels[];
  readonly plans: readonly CustomerPlan[];
  readonly discount: Discount | null;
  readonly fees: readonly Fee[];
  readonly taxClasses: readonly TaxClass[];
  readonly tax: TaxTerms | null;
  readonly schedule: readonly ScheduleEntry[];
  readonly stages: readonly Stage[];
  readonly billing: BillingTerms;
  /** It is a change order. */
  readonly change: ChangeTerms | null;
  /** Its figures can be worked out from this alone, to the cent. */
  readonly live: boolean;
}
