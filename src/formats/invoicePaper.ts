/** An invoice as its papers need it: plain values, amounts as decimal text in the currency. */
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

export interface InvoicePaper {
  readonly number: string;
  readonly title: string;
  readonly issuedOn: string;
  readonly dueOn: string;
  readonly currency: string;
  readonly seller: PaperParty;
  readonly buyer: PaperParty;
  readonly agreement: { readonly number: number; readonly title: string };
  readonly lines: readonly {
    readonly id: string;
    readonly section: string;
    readonly description: string;
    readonly taxClass: string;
    readonly agreed: string;
    readonly net: string;
  }[];
  readonly components: readonly {
    readonly key: string;
    readonly taxClass: string;
    readonly name: string;
    readonly percent: string;
    readonly amount: string;
  }[];
  readonly net: string;
  readonly tax: string;
  readonly total: string;
  readonly paid: string;
  readonly open: string;
  readonly contractSum: string;
  readonly billedBefore: string;
  readonly leftAfter: string;
}
