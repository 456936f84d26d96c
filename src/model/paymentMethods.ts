/**
 * How money comes or goes, by the key that stands in published formats, with what people read in small letters. A card is
 * charged by the card service; the others are recorded by hand.
 */
export const paymentMethods = {
  card: 'card',
  cheque: 'check',
  ach: 'ACH',
  wire: 'wire',
  transfer: 'bank transfer',
  cash: 'cash',
  phone: 'card by phone',
} as const;

export type PaymentMethod = keyof typeof paymentMethods;
export type HandMethod = Exclude<PaymentMethod, 'card'>;

export const methodKeys = Object.keys(paymentMethods) as [PaymentMethod, ...PaymentMethod[]];
export const handMethods = methodKeys.filter((key): key is HandMethod => key !== 'card');

/** The account money by a method goes through: ACH and wires through that of transfers, a card by phone through that of cards. */
export const accountOfMethod = (method: PaymentMethod): 'card' | 'cheque' | 'transfer' | 'cash' =>
  method === 'ach' || method === 'wire' ? 'transfer' : method === 'phone' ? 'card' : method;

/** A way of payment as a company calls it, and which of the known ones it is booked and told as. */
export interface OwnMethod {
  readonly id: string;
  readonly name: string;
  readonly like: HandMethod;
}

/** The ways money comes and goes by hand where a company has said none of its own. */
export const usualMethods: readonly OwnMethod[] = handMethods.map((key) => ({
  id: key,
  name: paymentMethods[key].charAt(0).toUpperCase() + paymentMethods[key].slice(1),
  like: key,
}));
