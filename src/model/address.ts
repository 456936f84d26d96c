/** A postal address in parts. */
export interface Address {
  readonly street: string;
  readonly city: string;
  readonly region: string;
  readonly postcode: string;
  /** ISO 3166-1 alpha-2. */
  readonly country: string;
}
