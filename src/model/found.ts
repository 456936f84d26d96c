/** Something of the company that was found by words, and the page it stands on. */
export interface FoundThing {
  readonly kind:
    'customer' | 'proposal' | 'change order' | 'agreement' | 'invoice' | 'payment' | 'item' | 'bundle';
  readonly id: string;
  readonly title: string;
  readonly detail: string;
  readonly address: string;
}

/** What was found, and of which kinds there is more than that. */
export interface Found {
  readonly found: readonly FoundThing[];
  readonly more: readonly FoundThing['kind'][];
}
