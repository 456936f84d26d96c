import type { Amount, Fixed } from '../number';
import { FIXED_DIGITS, divideRounded, powerOfTen } from '../number';
import type { Figures, SectionLine } from '../price';
import type { Goal } from './goal';

/** How an amount is spread: by even share of cost, by present price, or the same amount on every line. */
export type Spread = 'cost' | 'price' | 'even';

/** A line whose price a tool may move. */
export interface FreeLine {
  readonly id: string;
  readonly section: number;
  readonly figures: SectionLine;
  readonly places: number;
  /** Cost per unit, exactly: what it costs in 10⁻¹² of the currency, over its quantity in millionths. */
  readonly cost: { readonly top: bigint; readonly bottom: bigint };
}

/** The lines that are in under the choices and whose price is neither held, nor for nothing, nor an allowance. */
export function freeLines(figures: Figures): FreeLine[] {
  return figures.sections.flatMap(({ lines }, section) =>
    lines
      .filter(({ included, held, quantity, line }) => included && !held && quantity > 0n && !line.allowance)
      .map((line): FreeLine => ({
        id: line.line.id,
        section,
        figures: line,
        places: line.line.pricePlaces ?? 2,
        cost: {
          top: Object.values(line.exactCost).reduce((sum, each) => sum + each, 0n),
          bottom: line.quantity,
        },
      })),
  );
}

/** The smallest step of a line's unit price. */
export const stepOf = ({ places }: Pick<FreeLine, 'places'>): bigint => powerOfTen(FIXED_DIGITS - places);

/** The unit cost as a price, rounded up to its places: at it, nothing is lost. */
export function costPrice({ cost, places }: FreeLine): Fixed {
  const step = stepOf({ places });
  const per = cost.bottom * step;
  const whole = cost.top / per;
  return ((whole * per === cost.top ? whole : whole + 1n) * step) as Fixed;
}

/**
 * A ratio as a unit price of a number of places.
 * @param top any integer
 * @param bottom not zero
 * @param places decimals kept; half away from zero
 */
export function rounded(top: bigint, bottom: bigint, places: number): Fixed {
  const step = stepOf({ places });
  return (divideRounded(top, bottom * step) * step) as Fixed;
}

/** How a line is measured where its price is shaped. */
export const measureOf = (figures: Figures, { of }: Goal): Amount => figures[of];
