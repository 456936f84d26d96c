import type { CustomerPerson } from '@/model/customerPerson';

/** A customer as letters are addressed to them. */
export interface Addressee {
  readonly name: string;
  /** Who we speak with; empty: nobody by name. */
  readonly contactName: string;
  /** Empty: none is known. */
  readonly email: string;
}

/** To whom a letter goes: addresses set apart by a comma, empty where none is known; and whom it greets. */
export interface Recipients {
  readonly to: string;
  readonly name: string;
}

/** So many addresses of one letter at most. */
export const MOST_RECIPIENTS = 10;

/** The addresses in a text, each once, as they stand in it: apart by commas, semicolons or spaces. */
export const splitAddresses = (text: string): string[] => [
  ...new Set(text.split(/[\s,;]+/).filter((part) => part !== '')),
];

/** Addresses as they are kept and shown: one after the other, with commas. */
export const joinAddresses = (addresses: readonly string[]): string => [...new Set(addresses)].join(', ');

/** Do all parts of a text look like addresses, one at least and ten at most? Whether each is one, the server says. */
export function looksLikeAddresses(text: string): boolean {
  const parts = splitAddresses(text);
  return (
    parts.length > 0 && parts.length <= MOST_RECIPIENTS && parts.every((part) => /^[^@]+@[^@]+$/.test(part))
  );
}

/** Names as they are greeted: `Ada`, `Ada and Ben`, `Ada, Ben and Cleo`. */
const greeted = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;

/**
 * Who of a customer a kind of letter goes to: those who are ticked for it and have an address; where nobody is, the
 * customer's own address.
 * @param people in their order
 */
export function whoGets(
  customer: Addressee,
  people: readonly CustomerPerson[],
  what: 'offers' | 'invoices',
): Recipients {
  const ticked = people.filter(
    ({ email, getsOffers, getsInvoices }) => email !== '' && (what === 'offers' ? getsOffers : getsInvoices),
  );
  if (ticked.length === 0) return { to: customer.email, name: customer.contactName.trim() || customer.name };
  return {
    to: joinAddresses(ticked.map(({ email }) => email)),
    name: greeted([...new Set(ticked.map(({ name }) => name))]),
  };
}
