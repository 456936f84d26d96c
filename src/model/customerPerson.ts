/** Somebody of a customer beside the one we speak with, as they are typed and kept. */
export interface CustomerPerson {
  readonly id: string;
  readonly name: string;
  /** What they are to the customer: wife, property manager, bookkeeper. */
  readonly role: string;
  readonly email: string;
  readonly phone: string;
  /** Letters about proposals go to them. */
  readonly getsOffers: boolean;
  /** Letters about invoices go to them. */
  readonly getsInvoices: boolean;
}
