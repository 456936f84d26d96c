import type { CostRow, LoadedAgreement } from '../billing';
import type { CommissionTerms } from '@/model';
import type { Amount } from '../number';

/** An agreement as reports look at it: everything that was signed, billed, paid and spent, and whose it is. */
export interface ReportedJob {
  readonly loaded: LoadedAgreement;
  readonly costs: readonly CostRow[];
  readonly customer: string;
  /** Who sold it; empty: nobody is known. */
  readonly seller: string;
  /** Who that is; null: nobody is known. */
  readonly sellerId: string | null;
  /** What the company gives its sellers. */
  readonly commission: CommissionTerms | undefined;
  /** The town of the site. */
  readonly place: string;
  /** The day of the first signature, where the company works. */
  readonly signedOn: string;
  /** Money and credit notes of it that are on no invoice. */
  readonly credit: Amount;
}

/** The days of a report: of signature or of issue, both in it; null: open on that side. */
export interface ReportPeriod {
  readonly from: string | null;
  readonly to: string | null;
}

/** Is a day in a period? */
export const inPeriod = (day: string, { from, to }: ReportPeriod): boolean =>
  (from === null || day >= from) && (to === null || day <= to);

/**
 * Is an agreement under way: is money of it left to ask for, open, held back, or on no invoice? Otherwise it is finished.
 */
export const isUnderWay = ({
  loaded: { total, position, invoices },
  credit,
}: Pick<ReportedJob, 'loaded' | 'credit'>): boolean =>
  total !== position.billed + position.heldGross ||
  position.heldGross !== 0n ||
  credit !== 0n ||
  invoices.some(({ standing }) => standing.open > 0n);
