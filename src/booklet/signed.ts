import { isBelowZero, isNothing, showDecimal } from '@/core/number';

/** A difference in price with its sign: “+1,240.00”, “−310.00”, “no difference”. */
export const signed = (decimal: string): string =>
  isNothing(decimal)
    ? 'no difference'
    : isBelowZero(decimal)
      ? showDecimal(decimal)
      : `+${showDecimal(decimal)}`;
