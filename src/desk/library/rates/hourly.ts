import { isBelowZero, writeFixed } from '@/core/number';
import { parseQuantity } from '@/core/quantity';

/**
 * What an hour costs, as it was typed; 4 decimals.
 * @throws Error in words for what is no number or below zero
 */
export function readHourly(typed: string): string {
  const value = writeFixed(parseQuantity(typed, 4));
  if (isBelowZero(value)) throw new Error('Not below zero.');
  return value;
}

/** How many items follow a rate or crew, in words; nothing for none. */
export const followInWords = (items: number): string =>
  items === 0 ? '' : `${items} item${items === 1 ? '' : 's'}`;
