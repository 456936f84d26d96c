import { memoLast } from '../collections/memoByIdentity';
import type { AreaFactors, Load, Measuring, PricesGiven, ProposalDocument, Room, TaxClass } from '@/model';
import { minorDigits } from '../number';
import { measuresOf } from '../plan';
import type { Measured } from '../space';
import { measuringOf } from '../space';
import type { LoadFactors } from './loads';
import { loadFactors } from './loads';

/** What every line of a document is priced with. The same object as long as none of it changes: it is a cache key. */
export interface Pricing {
  readonly loads: readonly Load[];
  readonly factors: LoadFactors;
  readonly minorDigits: number;
  /** A line's own discount does not go below its minimum charge. */
  readonly keepsMinimum: boolean;
  readonly area: AreaFactors | undefined;
  readonly measures: readonly Measured[];
  readonly rooms: readonly Room[] | undefined;
  /** In what sizes are told. */
  readonly measuring: Measuring;
  readonly taxClasses: ProposalDocument['taxClasses'];
  readonly tax: ProposalDocument['tax'];
  /** The tax classes by id. */
  readonly classes: ReadonlyMap<string, TaxClass>;
  /** Unit prices that stand where the costs are not. */
  readonly given: PricesGiven | undefined;
}

/** Since edition 2 of the rules. */
export const keepsMinimum = ({ reckoning }: Pick<ProposalDocument, 'reckoning'>): boolean => reckoning === 2;

const priceWith = memoLast(
  (
    loads: ProposalDocument['loads'],
    digits: number,
    keeps: boolean,
    area: ProposalDocument['area'],
    measures: readonly Measured[],
    rooms: readonly Room[] | undefined,
    measuring: Measuring,
    taxClasses: ProposalDocument['taxClasses'],
    tax: ProposalDocument['tax'],
    given: PricesGiven | undefined,
  ): Pricing => ({
    loads,
    factors: loadFactors(loads),
    minorDigits: digits,
    keepsMinimum: keeps,
    area,
    measures,
    rooms,
    measuring,
    taxClasses,
    tax,
    classes: new Map(taxClasses.map((taxClass) => [taxClass.id, taxClass])),
    given,
  }),
);

/**
 * What a document prices its lines with.
 * @throws RangeError for a load of 100 % of the price or more
 */
export const pricingOf = (document: ProposalDocument): Pricing =>
  priceWith(
    document.loads,
    minorDigits(document.currency),
    keepsMinimum(document),
    document.area,
    measuresOf(document),
    document.rooms,
    measuringOf(document),
    document.taxClasses,
    document.tax,
    document.pricedAt,
  );
