import { memoLast } from '../collections/memoByIdentity';
import type { Allowance, Line } from '@/model';
import type { Amount, Fixed } from '../number';
import {
  FIXED_DIGITS,
  ONE,
  divideRounded,
  parseFixed,
  parsePercent,
  powerOfTen,
  writeFixed,
} from '../number';
import { UNIT_COST_PLACES } from './cost';
import type { LineFigures } from './line';
import type { Pricing } from './pricing';
import { taxFactor } from './tax';

/** What an allowance has no use for: its price and cost come from its terms alone. */
const unheeded = [
  'heldPrice',
  'shapedPrice',
  'typedCost',
  'loads',
  'markups',
  'waste',
  'pack',
  'minimumCharge',
  'breaks',
] as const;

/**
 * An allowance as a line like any other. At our price, the amount to spend is the unit price, and the cost expected
 * behind it is what the fee (a margin) leaves. At cost, the amount to spend is the unit cost, and the fee is its only
 * load. Every other line is itself.
 *
 * @throws RangeError for a fee of 100 % or more
 */
export const pricedLine = (line: Line, pricing: Pricing): Line =>
  line.allowance ? priceAllowance(line, pricing, line.allowance) : line;

const priceAllowance = memoLast((line: Line, pricing: Pricing, allowance: Allowance): Line => {
  const { rule, amount, fee } = allowance;
  const rate = parsePercent(fee);
  if (rate >= ONE) throw new RangeError('A fee as a margin is below 100 %.');
  const plain: Line = { ...line };
  for (const field of unheeded) delete plain[field];
  const step = powerOfTen(FIXED_DIGITS - UNIT_COST_PLACES);
  const tax = taxFactor(pricing.classes.get(line.taxClass), pricing);
  return rule === 'at our price'
    ? {
        ...plain,
        heldPrice: amount,
        loads: [],
        costs: [
          {
            type: 'other',
            amount: writeFixed(
              (divideRounded(parseFixed(amount) * (ONE - rate) * tax.bottom, ONE * tax.top * step) *
                step) as Fixed,
            ),
          },
        ],
      }
    : {
        ...plain,
        costs: [{ type: 'other', amount }],
        loads: [{ id: 'fee', name: 'Fee', kind: 'profit', percent: fee, base: 'price' }],
      };
});

/** What the customer may spend on an allowance, in the measure of its rule: the line at cost, or at our price. */
export const setAside = (figures: Pick<LineFigures, 'line' | 'gross' | 'costAmount'>): Amount =>
  figures.line.allowance?.rule === 'at our price' ? figures.gross : figures.costAmount;
