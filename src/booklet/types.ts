/* What the booklet is given; only types, so that nothing of the acts can come along. */
export type { Meanwhile } from '@/acts/booklet/choices';
export type { Booklet } from '@/acts/booklet/open';
export type { CardAnswer } from '@/acts/booklet/payCard';
export type {
  AllowanceShown,
  AllowancesShown,
  AllowanceTaxes,
  RoundShown,
} from '@/acts/agreements/allowances';
export type { AgreedShown } from '@/acts/booklet/agreed';
export type { Asked } from '@/acts/booklet/asked';
export type { Certificate, Checked } from '@/acts/agreements/certificate';

/** Numbers for trying the card stand-in. */
export interface TrialCards {
  readonly accepted: string;
  readonly refused: string;
  readonly confirmed: string;
  readonly delayed: string;
  readonly code: string;
}
