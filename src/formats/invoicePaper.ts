import type { BilledLine } from '@/core/billing';
import { billedQuantity } from '@/core/billing';
import { isNothing, writeFixed } from '@/core/number';

/** An invoice or credit note as its formats need it: plain values, amounts as decimal text in the currency. */
export interface PaperParty {
  readonly name: string;
  readonly address: {
    readonly street: string;
    readonly city: string;
    readonly region: string;
    readonly postcode: string;
    readonly country: string;
  };
  readonly email: string;
  readonly taxNumber: string | null;
}

export interface PaperLine {
  readonly id: string;
  readonly section: string;
  /** The change order it came with; null: it is of the original sum. */
  readonly change: number | null;
  readonly description: string;
  readonly taxClass: string;
  /** The codes that are wanted on it, as one text; null: none. */
  readonly code: string | null;
  readonly agreed: string;
  readonly before: string;
  /** Billed with this paper. */
  readonly net: string;
  readonly toDate: string;
  /** Percent to date as people read it; nothing where nothing was agreed. */
  readonly percent: string;
  readonly left: string;
  /** The same in the measure of the line; null where it has none, as a bundle shown as one line. */
  readonly measure: {
    readonly unit: string;
    /** As agreed, and what of it is billed with this paper; above zero. */
    readonly agreed: string;
    readonly billed: string;
  } | null;
}

/** Money apart from lines, of one tax class: held back, released, paid ahead, counted off. With its sign in the total. */
export interface PaperPart {
  readonly kind: 'retainage' | 'advance' | 'late';
  readonly name: string;
  readonly taxClass: string;
  readonly net: string;
  /** With the tax of it. */
  readonly gross: string;
}

/** Money of rows together, net, as decimal text; the percent as people read it. */
export interface PaperSum {
  readonly name: string;
  readonly agreed: string;
  readonly before: string;
  readonly net: string;
  readonly toDate: string;
  readonly percent: string;
  readonly left: string;
}

/** How the work stands on a paper. */
export interface PaperLayout {
  /** All work of the agreement by section, stage or kind, and its sum; null: there is none. */
  readonly summary: {
    readonly by: 'section' | 'stage' | 'kind';
    readonly groups: readonly PaperSum[];
    readonly whole: PaperSum;
  } | null;
  /** The rows under what they are gathered by; empty: the summary stands for them. */
  readonly groups: readonly (PaperSum & { readonly lines: readonly PaperLine[] })[];
  /** Each row says its percent to date and its balance. */
  readonly balance: boolean;
}

export interface InvoicePaper {
  readonly kind: 'invoice' | 'advance' | 'release' | 'late charge' | 'credit note';
  /** It bills the agreement: no charge for late payment, and nothing that takes one back. */
  readonly ofAgreement: boolean;
  /** What it costs to pay it late, in a sentence; null: nothing. */
  readonly lateTerms: string | null;
  readonly number: string;
  readonly title: string;
  readonly issuedOn: string;
  readonly dueOn: string;
  readonly currency: string;
  readonly seller: PaperParty;
  readonly buyer: PaperParty;
  readonly agreement: { readonly number: number; readonly title: string };
  /** The invoice that a credit note takes back. */
  readonly credits: { readonly number: string; readonly issuedOn: string } | null;
  readonly remark: string;
  readonly lines: readonly PaperLine[];
  readonly layout: PaperLayout;
  readonly parts: readonly PaperPart[];
  /** The same by what it is, as people read it: net, in the order it comes off. */
  readonly apart: readonly { readonly name: string; readonly net: string }[];
  /** Tax of the whole paper. */
  readonly components: readonly {
    readonly key: string;
    readonly taxClass: string;
    readonly name: string;
    readonly percent: string;
    readonly amount: string;
  }[];
  /** Net of the lines. */
  readonly work: string;
  readonly net: string;
  readonly tax: string;
  readonly total: string;
  /** Of the total, what the customer's credit paid when it was issued. */
  readonly creditUsed: string;
  /** Money received on it, never credit. */
  readonly paid: string;
  /** What credit notes took off it since. */
  readonly takenBack: string;
  /** What the customer's credit paid of it, then and since. */
  readonly creditApplied: string;
  readonly open: string;
  /** The agreement as it stood with this paper: sums, including tax. */
  readonly original: string;
  readonly changes: readonly { readonly number: number; readonly title: string; readonly total: string }[];
  readonly contractSum: string;
  readonly workToDate: string;
  readonly heldToDate: string;
  readonly aheadToDate: string;
  readonly billedBefore: string;
  /** Of what was billed before, what is paid by now: in money or with credit. */
  readonly paidBefore: string;
  readonly leftAfter: string;
  /** The rate of retainage and its limit, in words; null: none is held. */
  readonly retainageTerms: string | null;
}

/** What is billed of a line in its own measure. */
export function measureOf({
  measure,
  agreed,
  net,
}: Pick<BilledLine, 'measure' | 'agreed' | 'net'>): PaperLine['measure'] {
  if (measure === null) return null;
  const { quantity, unit } = measure;
  const billed = billedQuantity(quantity, agreed, net);
  const much = (quantity < 0n ? -quantity : quantity) as typeof quantity;
  return billed === null ? null : { unit, agreed: writeFixed(much), billed: writeFixed(billed) };
}

/** What stands between the total of a paper and what is to pay, each under its own name. */
export const settledWith = ({ takenBack, creditApplied, paid }: InvoicePaper) =>
  [
    { name: 'Credited', amount: takenBack },
    { name: 'Paid with your credit', amount: creditApplied },
    { name: 'Paid', amount: paid },
  ].filter(({ amount }) => !isNothing(amount));
