import { mergeOver } from '@/core/editing';

/**
 * What is to be stored of a thing that several may have open: what others changed since it was read stays, and where both
 * changed one value this one stands.
 * @param now what is stored
 * @param wanted what is to be stored
 * @param over what it stands over: the thing as it was read; where it is not told, all of what is wanted stands
 */
export const putOver = <T extends object>(now: T, wanted: T, over: T | undefined): T =>
  over === undefined ? wanted : mergeOver(over, wanted, now);
