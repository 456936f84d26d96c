import type { PaymentMethod } from '@/model';
import type { PaperParty } from './invoicePaper';

/** A payment as its receipt needs it; amounts as decimal text. */
export interface ReceiptPaper {
  readonly seller: PaperParty;
  /** As on the newest invoice; null where none is issued yet. */
  readonly buyer: PaperParty | null;
  readonly agreement: { readonly number: number; readonly title: string };
  readonly currency: string;
  readonly amount: string;
  readonly method: PaymentMethod;
  /** What the company calls it, where that is a name of its own. */
  readonly methodName: string | null;
  readonly reference: string;
  readonly receivedOn: string;
  /** How and why it did not stay; null: it did. */
  readonly gone: { readonly kind: 'returned' | 'void'; readonly reason: string } | null;
  readonly parts: readonly { readonly number: string; readonly title: string; readonly amount: string }[];
  /** What is on no invoice. */
  readonly credit: string;
}
