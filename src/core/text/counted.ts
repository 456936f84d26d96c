/**
 * So many of a thing, as “1 proposal” or “3 proposals”.
 *
 * @param count how many; a whole number
 * @param thing one of them, as a word whose plural ends in s
 */
export const counted = (count: number, thing: string): string =>
  `${count} ${count === 1 ? thing : `${thing}s`}`;
