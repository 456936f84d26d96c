import type {
  Address,
  Allowance,
  BillingTerms,
  Choices,
  CostType,
  InvoiceShows,
  KeptSignature,
  LateTerms,
  ScheduleEntry,
  UnitCode,
} from '@/model';
import type { IssuedKind } from './paper';

/* An agreement as it is kept: rows with amounts as decimal text. What they come to is worked out from them here. */

/** What was signed first. */
export interface AgreementHead {
  readonly id: string;
  readonly number: number;
  readonly proposalId: string;
  readonly revisionId: string;
  readonly revisionSha256: string;
  readonly customerId: string;
  readonly siteId: string;
  readonly title: string;
  readonly currency: string;
  readonly choices: Choices;
  readonly signerName: string;
  readonly signature: KeptSignature;
  readonly consent: string;
  readonly acceptedAt: Date;
  readonly net: string;
  readonly tax: string;
  readonly total: string;
  readonly billing: BillingTerms;
}

/** A signed change order. */
export interface ChangeRow {
  readonly id: string;
  readonly number: number;
  readonly proposalId: string;
  readonly revisionId: string;
  readonly title: string;
  readonly choices: Choices;
  readonly net: string;
  readonly tax: string;
  readonly total: string;
  readonly acceptedAt: Date;
}

/** A tax component as it was signed; its place is what taxes of lines and papers name. */
export interface ComponentRow {
  readonly position: number;
  readonly key: string;
  readonly taxClass: string;
  readonly name: string;
  readonly percent: string;
  readonly base: string;
  readonly amount: string;
}

export interface LineRow {
  readonly lineId: string;
  readonly position: number;
  readonly sectionTitle: string;
  readonly bundleId: string | null;
  readonly bundleName: string | null;
  /** The customer sees the bundle as one line. */
  readonly bundleOne: boolean;
  readonly description: string;
  readonly unit: UnitCode;
  readonly quantity: string;
  readonly unitPrice: string;
  readonly costCode: string | null;
  /** What the library called its item when it was agreed; null: it is of none, or was agreed before this was kept. */
  readonly itemCode: string | null;
  readonly taxClass: string;
  readonly net: string;
  readonly cost: string;
  readonly costs: Partial<Record<CostType, string>>;
  /** The change order that brought it; null: it is of the original sum. */
  readonly changeOrderId: string | null;
  /** The agreed line it leaves out, and how much of it. */
  readonly omits: string | null;
  readonly omittedQuantity: string | null;
  /** The allowance it settles. */
  readonly settles: string | null;
}

/** Tax by the place of its component. */
export interface TaxRow {
  readonly position: number;
  readonly amount: string;
}

export interface PaymentRow {
  readonly entryId: string;
  readonly position: number;
  readonly name: string;
  readonly kind: ScheduleEntry['kind'];
  readonly due: ScheduleEntry['due'];
  readonly amount: string;
  readonly changeOrderId: string | null;
}

export interface StageRow {
  readonly name: string;
  readonly position: number;
  readonly plannedOn: string | null;
  readonly doneOn: string | null;
  readonly doneBy: string | null;
  /** What was reported of it last, in percent; null: nothing. Done, it counts no more. */
  readonly percent: string | null;
  readonly reportedOn: string | null;
  /** What it will still cost us, as somebody reckons; null: what is left of its budget. */
  readonly toCome: string | null;
}

interface PartyRow {
  readonly name: string;
  readonly address: Address;
  readonly email: string;
  readonly taxNumber: string | null;
}

/** An issued invoice or credit note. */
export interface PaperRow {
  readonly id: string;
  readonly agreementId: string;
  readonly kind: IssuedKind;
  readonly label: string;
  readonly position: number;
  /** The payment of the schedule it bills; null: none. */
  readonly entryId: string | null;
  /** The invoice a credit note takes back; null on invoices, and on a credit note on the agreement itself. */
  readonly credits: string | null;
  readonly lateTerms: LateTerms | null;
  readonly lateOf: string | null;
  readonly lateUntil: string | null;
  readonly countsTowardRetainage: boolean;
  readonly shows: InvoiceShows;
  readonly remark: string;
  readonly title: string;
  readonly issuedOn: string;
  readonly dueOn: string;
  readonly seller: PartyRow;
  readonly buyer: PartyRow;
  readonly net: string;
  readonly tax: string;
  readonly total: string;
  readonly billedBefore: string;
  readonly creditUsed: string;
  readonly issuedAt: Date;
}

/** What of a line, or apart from lines, is on a paper. */
interface OnPaper {
  readonly invoiceId: string;
}

interface AdjustmentKey extends OnPaper {
  readonly kind: 'retainage' | 'advance';
  readonly taxClass: string;
}

/** What is on an invoice by where it came from, as sums. */
export interface SettledRow {
  readonly id: string;
  readonly received: string;
  readonly takenBack: string;
  readonly creditApplied: string;
}

/** Every row of one agreement: as signed, as changed since, as billed and as paid. */
export interface AgreementRows {
  readonly head: AgreementHead;
  readonly lines: readonly LineRow[];
  readonly lineTaxes: readonly (TaxRow & { readonly lineId: string })[];
  /** In the order of their places, without gaps. */
  readonly components: readonly ComponentRow[];
  readonly payments: readonly PaymentRow[];
  readonly allowances: readonly {
    readonly lineId: string;
    readonly terms: Omit<Allowance, 'rounds'>;
    readonly spend: string;
  }[];
  readonly stages: readonly StageRow[];
  readonly lineStages: readonly { readonly lineId: string; readonly stage: string }[];
  /** Oldest first. */
  readonly changes: readonly ChangeRow[];
  readonly taxChanges: readonly (TaxRow & { readonly base: string })[];
  readonly paymentChanges: readonly { readonly entryId: string; readonly amount: string }[];
  /** In the order of their issue. */
  readonly papers: readonly PaperRow[];
  readonly draws: readonly (OnPaper & { readonly lineId: string; readonly net: string })[];
  readonly drawTaxes: readonly (OnPaper & TaxRow & { readonly lineId: string })[];
  readonly adjustments: readonly (AdjustmentKey & { readonly net: string })[];
  readonly adjustmentTaxes: readonly (AdjustmentKey & TaxRow)[];
  readonly settled: readonly SettledRow[];
  /** Paid back to the customer out of credit notes. */
  readonly refunded: readonly { readonly sum: string }[];
}
