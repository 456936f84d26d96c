import type { Extra } from './document';
import type { Rule } from './levels';

/*
 * Everything a customer can decide about a proposal, without any figure: what is asked, what stands without an answer,
 * when it can be decided and what rules between choices say. Safe to hand to the customer.
 */

/** Something that must hold of the choices. */
export type Test =
  | { readonly extra: string }
  | { readonly question: string; readonly answer: string }
  | { readonly tiers: string; readonly among: readonly string[] };

export interface MenuExtra {
  readonly id: string;
  readonly name: string;
  readonly extra: Extra;
  /** What must hold for it to be on offer at all. */
  readonly when: readonly Test[];
}

export interface MenuQuestion {
  readonly id: string;
  readonly name: string;
  /** In order; `none` at the end where that is allowed. */
  readonly answers: readonly { readonly id: string; readonly name: string }[];
  readonly suggested: string;
  readonly until: string | null;
  readonly when: readonly Test[];
}

export interface MenuLevels {
  readonly id: string;
  readonly name: string;
  readonly levels: readonly { readonly id: string; readonly name: string }[];
  readonly suggested: string;
  readonly until: string | null;
}

export interface Menu {
  readonly extras: readonly MenuExtra[];
  readonly questions: readonly MenuQuestion[];
  readonly tiers: readonly MenuLevels[];
  readonly rules: readonly Rule[];
}
