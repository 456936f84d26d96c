import type { Amount } from '../number';

/**
 * What can go back on a card of a payment made with it: what was taken, less what went back already and what was refunded on
 * it. Never more than the customer's credit, and never below zero. All in minor units.
 * @param amount taken from the card
 * @param gone went back to the card's holder by a dispute
 * @param refunded on this card before
 * @param credit of the customer on the agreement
 */
export function refundableOnCard(amount: Amount, gone: Amount, refunded: Amount, credit: Amount): Amount {
  const left = amount - gone - refunded;
  const most = left < credit ? left : credit;
  return (most > 0n ? most : 0n) as Amount;
}
