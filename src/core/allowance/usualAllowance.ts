import type { SectionLine } from '@/core/price';
import type { Fixed } from '@/core/number';
import { ratio, roundFixed, writeFixed, ZERO_FIXED } from '@/core/number';
import type { Allowance } from '@/model';

/** The margin of a line in percent of its price: what its fee is taken to be when money is set aside for it. */
const usualFee = ({ net, costAmount }: SectionLine): Fixed =>
  costAmount > 0n && costAmount < net ? ((ratio(net - costAmount, net)! * 100n) as Fixed) : ZERO_FIXED;

/**
 * The allowance a line becomes, until somebody says otherwise: its unit price is set aside, with its margin as the fee.
 * @param figures what the line comes to; without a price no fee is taken
 * @returns amount and fee in percent, each to 2 decimals
 */
export const usualAllowance = (figures: SectionLine): Allowance => ({
  rule: 'at our price',
  amount: writeFixed(roundFixed(figures.unitPrice, 2)),
  fee: figures.net > 0n ? writeFixed(roundFixed(usualFee(figures), 2)) : '0',
  shows: 'price',
  rounds: [],
});
