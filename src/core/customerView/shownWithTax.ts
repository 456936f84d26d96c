import type { CustomerOffer, CustomerPart, OfferPart, OfferPiece, OfferSection, OfferShown } from '@/model';
import type { Amount } from '../number';
import {
  divideRounded,
  multiplyToAmount,
  parseAmount,
  parseFixed,
  sumAmounts,
  writeAmount,
  writeFixedPlaces,
} from '../number';
import type { ClassSums } from '../price/totals';
import type { Reckoned } from './reckon';
import { piecesOf, readSums } from './reckon';
import type { ByClass } from './taxIn';
import { atRate, overClasses, taxOver, unitPriceOf } from './taxIn';

/** The figures of an offer as they are shown with the tax in them. */
export interface ShownWithTax {
  readonly sections: readonly { readonly net: Amount; readonly discount: Amount }[];
  readonly discount: Amount;
  /** In the order of the fees. */
  readonly fees: readonly Amount[];
  /** A piece as it reads with tax; one that is not in at its rate. */
  readonly piece: (piece: OfferPiece, shown: OfferShown) => OfferShown;
}

type Figured = OfferShown | OfferPart;

const netByClass = (sums: ClassSums): ByClass =>
  new Map([...sums].map(([taxClass, { above, below }]) => [taxClass, above + below]));
const bearingOf = ({ bearing }: Figured): ByClass => netByClass(readSums(bearing ?? []));
const negative = (amounts: ByClass): ByClass => new Map([...amounts].map(([id, value]) => [id, -value]));
const placesOf = (decimal: string): number => decimal.split('.')[1]?.length ?? 0;

/** By class, what some parts come to less what is left of them. */
function taken(parts: readonly ByClass[], left: ByClass): ByClass {
  const sums = new Map<string, bigint>();
  for (const part of parts) for (const [id, value] of part) sums.set(id, (sums.get(id) ?? 0n) + value);
  for (const [id, value] of left) sums.set(id, (sums.get(id) ?? 0n) - value);
  return new Map([...sums].filter(([, value]) => value !== 0n));
}

/**
 * Puts the tax into the figures of an offer: shared over its sections, the discount and the fees, then in each section over
 * what is in and its discount, then in each bundle over its parts. On each floor what is shown adds up.
 *
 * @param shownOf a piece as it reads before tax, under the choices
 * @param isIn whether a piece is in under the choices
 */
export function shownWithTax(
  offer: CustomerOffer,
  now: Reckoned,
  shownOf: (piece: OfferPiece) => OfferShown,
  isIn: (section: OfferSection, piece: OfferPiece) => boolean,
): ShownWithTax {
  const { taxClasses, minorDigits: digits } = offer;
  const tax = new Map<string, bigint>();
  for (const { taxClass, amount } of now.taxes) tax.set(taxClass, (tax.get(taxClass) ?? 0n) + amount);
  const nets = now.sections.map(({ sums }) => netByClass(sums));
  const shares = taxOver(
    tax,
    [
      ...nets,
      negative(now.discountShares),
      ...now.fees.map(({ fee, amount }) => new Map([[fee.taxClass, amount as bigint]])),
    ],
    taxClasses,
  );

  const inPieces = new Map<string, ByClass>();
  const sections = offer.sections.map((section, i) => {
    const own = shares[i]!;
    const { net, discount } = now.sections[i]!;
    const pieces = piecesOf(section).filter((piece) => isIn(section, piece));
    const bearing = pieces.map((piece) => bearingOf(shownOf(piece)));
    const inside = taxOver(own, [...bearing, negative(taken(bearing, nets[i]!))], taxClasses);
    pieces.forEach(({ id }, at) => inPieces.set(id, inside[at]!));
    return {
      net: (net + overClasses(own)) as Amount,
      discount: (discount - overClasses(inside.at(-1)!)) as Amount,
    };
  });

  const written = (value: bigint) => writeAmount(value as Amount, digits);
  const classOf = (shown: Figured) => taxClasses.find(({ id }) => id === shown.bearing?.[0]?.[0]);
  /** What is not in has no amount to share in the tax: its prices are those at the rate, that make what it would come to. */
  const outside = <T extends Figured>(shown: T): T => {
    if (shown.unitPrice === null) return shown;
    const net = multiplyToAmount(parseFixed(shown.quantity ?? '1'), parseFixed(shown.unitPrice), digits);
    const places = placesOf(shown.unitPrice);
    const atTheRate = writeFixedPlaces(atRate(parseFixed(shown.unitPrice), classOf(shown)), places);
    return {
      ...shown,
      unitPrice: unitPriceOf(atRate(net, classOf(shown)), shown.quantity, digits, places) ?? atTheRate,
    };
  };
  const inside = <T extends Figured>(shown: T, own: ByClass): T => {
    const net = parseAmount(shown.amount ?? '0', digits);
    const whole = (net + overClasses(own)) as Amount;
    const off = shown.discount === null ? null : parseAmount(shown.discount, digits);
    const discount =
      off === null ? null : net === 0n ? atRate(off, classOf(shown)) : divideRounded(off * whole, net);
    return {
      ...shown,
      amount: shown.amount === null ? null : written(whole),
      discount: discount === null ? null : written(discount),
      unitPrice:
        shown.unitPrice &&
        unitPriceOf(
          sumAmounts([whole, (discount ?? 0n) as Amount]),
          shown.quantity,
          digits,
          placesOf(shown.unitPrice),
        ),
    };
  };
  const partsInside = (parts: readonly OfferPart[], own: ByClass): CustomerPart[] => {
    const each = taxOver(own, parts.map(bearingOf), taxClasses);
    return parts.map((part, i) => inside(part, each[i]!));
  };

  return {
    sections,
    discount: (now.discount - overClasses(shares[nets.length]!)) as Amount,
    fees: now.fees.map(({ amount }, i) => (amount + overClasses(shares[nets.length + 1 + i]!)) as Amount),
    piece: (piece, shown) => {
      const own = inPieces.get(piece.id);
      return own
        ? { ...inside(shown, own), parts: partsInside(shown.parts, own) }
        : { ...outside(shown), parts: shown.parts.map(outside) };
    },
  };
}
