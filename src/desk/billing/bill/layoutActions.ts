import type { Answer, InvoiceShows } from '@/model';

/** What can be done with kept layouts. */
export interface LayoutActions {
  readonly keepLayout: (input: {
    readonly agreementId: string;
    readonly name: string;
    readonly forAll: boolean;
    readonly usual: boolean;
    readonly shows: InvoiceShows;
  }) => Promise<Answer<{ id: string }>>;
  readonly deleteLayout: (input: { readonly id: string }) => Promise<Answer<void>>;
  readonly setUsualLayout: (input: { readonly id: string | null }) => Promise<Answer<void>>;
}
