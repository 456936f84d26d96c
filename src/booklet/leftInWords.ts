import { isBelowZero, showDecimal } from '@/core/number';

/** “120.00 left” or “45.00 over”. */
export const leftInWords = (left: string): string =>
  isBelowZero(left) ? `${showDecimal(left.slice(1))} over` : `${showDecimal(left)} left`;
