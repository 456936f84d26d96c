import type { CustomerBasis, ProposalDocument, TaxClass } from '@/model';
import type { Amount, Fixed } from '../number';
import {
  FIXED_DIGITS,
  allocate,
  divideRounded,
  multiplyToAmount,
  parseFixed,
  powerOfTen,
  sumAmounts,
  writeFixedPlaces,
} from '../number';
import { taxesOn, wholeRate } from '../price/tax';

/*
 * Prices with the tax in them, where the tax is reckoned on top: what a customer reads then. The tax of each class is
 * shared over what bears it, so that everything that is shown adds up to the total with tax.
 */

/** Amounts by tax class. */
export type ByClass = ReadonlyMap<string, bigint>;

/** Whether a class carries any tax. */
const isTaxed = (taxClass: TaxClass): boolean => wholeRate(taxClass).top !== 0n;

interface Terms {
  readonly taxClasses: readonly TaxClass[];
  readonly tax?: ProposalDocument['tax'] | null;
}

/**
 * How a customer reads the prices of an offer: all of them alike. One price for the whole is what they pay, tax in.
 */
export function basisOf({ shows, taxClasses, tax }: Terms & Pick<ProposalDocument, 'shows'>): CustomerBasis {
  if (tax?.exempt || !taxClasses.some(isTaxed)) return 'no tax';
  return tax?.inside || tax?.shown === 'with tax' || shows === 'total' ? 'with tax' : 'before tax';
}

/** Whether tax that is reckoned on top is shown in the prices. */
export const putsTaxIn = ({ tax }: Pick<Terms, 'tax'>): boolean =>
  tax?.shown === 'with tax' && !tax.inside && !tax.exempt;

const floored = (top: bigint, bottom: bigint): bigint =>
  top >= 0n ? top / bottom : -((-top + bottom - 1n) / bottom);

/** Shares the tax of one class: to each what its rate makes of it, and of what rounding left by its size. */
function shareOut(tax: bigint, amounts: readonly bigint[], taxClass: TaxClass | undefined): bigint[] {
  const sizes = amounts.map((each) => (each < 0n ? -each : each));
  const size = sizes.reduce((sum, each) => sum + each, 0n);
  if (size === 0n) return amounts.map((_, i) => (i === 0 ? tax : 0n));
  const { top, bottom } = taxClass ? wholeRate(taxClass) : { top: 0n, bottom: 1n };
  const sum = amounts.reduce((all, each) => all + each, 0n);
  const rest = tax * bottom - sum * top;
  const divisor = bottom * size;
  const exact = amounts.map((each, i) => each * top * size + rest * sizes[i]!);
  const floors = exact.map((each) => floored(each, divisor));
  const left = tax - floors.reduce((all, each) => all + each, 0n);
  const units = allocate(
    left as Amount,
    exact.map((each, i) => each - floors[i]! * divisor),
  );
  return floors.map((each, i) => each + units[i]!);
}

/**
 * Shares the tax of each class over the parts that bear it, to the minor unit; the shares of a class sum to its tax.
 * Each part gets what the class's rate makes of it, before rounding; what the tax differs from that (it is rounded once,
 * or on every line) goes to the parts by their size, units to the largest remainders.
 *
 * @param tax by class, in minor units
 * @param parts what each bears, net by class; a discount is negative. A class that none of them has is left out
 * @returns the tax in each part, by class
 */
export function taxOver(tax: ByClass, parts: readonly ByClass[], taxClasses: readonly TaxClass[]): ByClass[] {
  const into = parts.map(() => new Map<string, bigint>());
  for (const [id, whole] of tax) {
    const bearing = parts.flatMap((part, i) => (part.has(id) ? [i] : []));
    if (bearing.length === 0) continue;
    const shares = shareOut(
      whole,
      bearing.map((i) => parts[i]!.get(id)!),
      taxClasses.find((each) => each.id === id),
    );
    bearing.forEach((at, i) => into[at]!.set(id, shares[i]!));
  }
  return into;
}

/** The sum over all classes. */
export const overClasses = (amounts: ByClass): Amount => sumAmounts([...amounts.values()] as Amount[]);

/** A value of a class times one and its rate, exact to the unit of the value. */
export function atRate<T extends bigint>(value: T, taxClass: TaxClass | undefined): T {
  const { top, bottom } = taxClass ? wholeRate(taxClass) : { top: 0n, bottom: 1n };
  return divideRounded(value * (bottom + top), bottom) as T;
}

/**
 * The unit price that makes an amount at a quantity: with the least places, from those asked for on, at which
 * quantity × unit price is the amount.
 * @param counted the quantity as decimal text; null stands for one
 * @param whole what it is to come to at the quantity
 * @param digits decimals of the currency
 * @param places decimals to begin with
 * @returns null where no price of six places does
 */
export function unitPriceOf(
  whole: Amount,
  counted: string | null,
  digits: number,
  places: number,
): string | null {
  const quantity = parseFixed(counted ?? '1');
  if (quantity === 0n) return null;
  for (let tried = places; tried <= FIXED_DIGITS; tried += 1) {
    // In millionths, rounded to the places.
    const step = powerOfTen(FIXED_DIGITS - tried);
    const price = (divideRounded(whole * powerOfTen(2 * FIXED_DIGITS - digits), quantity * step) *
      step) as Fixed;
    if (multiplyToAmount(quantity, price, digits) === whole) return writeFixedPlaces(price, tried);
  }
  return null;
}

/**
 * One amount of a class with its tax, each component rounded once; itself where tax is inside or not charged.
 * @param net before tax
 */
export function withTax(net: Amount, taxClass: string, terms: Terms): Amount {
  if (terms.tax?.inside || terms.tax?.exempt) return net;
  const taxes = taxesOn(new Map([[taxClass, [net]]]), { ...terms, tax: terms.tax ?? undefined });
  return sumAmounts([net, ...taxes.map(({ amount }) => amount)]);
}
