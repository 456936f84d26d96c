import type { AreaFactors, ProposalDocument, TaxClass } from '@/model';
import { minorDigits } from '../number';
import { measuresOf } from '../plan';
import type { Measured } from '../space';
import type { LoadFactors } from './loads';
import { loadFactors } from './loads';

/** What every line of a document is priced with. The same object as long as none of it changes: it is a cache key. */
export interface Pricing {
  readonly factors: LoadFactors;
  readonly minorDigits: number;
  /** A line's own discount does not go below its minimum charge. */
  readonly keepsMinimum: boolean;
  readonly area: AreaFactors | undefined;
  readonly measures: readonly Measured[];
  readonly taxClasses: ProposalDocument['taxClasses'];
  readonly tax: ProposalDocument['tax'];
  /** The tax classes by id. */
  readonly classes: ReadonlyMap<string, TaxClass>;
}

/** Since edition 2 of the rules. */
export const keepsMinimum = ({ reckoning }: Pick<ProposalDocument, 'reckoning'>): boolean => reckoning === 2;

const known = new WeakMap<ProposalDocument['loads'], Pricing>();

/**
 * What a document prices its lines with.
 * @throws RangeError for a load of 100 % of the price or more
 */
export function pricingOf(document: ProposalDocument): Pricing {
  const digits = minorDigits(document.currency);
  const measures = measuresOf(document);
  const last = known.get(document.loads);
  if (
    last &&
    last.minorDigits === digits &&
    last.keepsMinimum === keepsMinimum(document) &&
    last.area === document.area &&
    last.measures === measures &&
    last.taxClasses === document.taxClasses &&
    last.tax === document.tax
  )
    return last;
  const made: Pricing = {
    factors: loadFactors(document.loads),
    minorDigits: digits,
    keepsMinimum: keepsMinimum(document),
    area: document.area,
    measures,
    taxClasses: document.taxClasses,
    tax: document.tax,
    classes: new Map(document.taxClasses.map((taxClass) => [taxClass.id, taxClass])),
  };
  known.set(document.loads, made);
  return made;
}
