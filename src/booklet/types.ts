/* What the booklet is given; only types, so that nothing of the acts can come along. */
export type { Meanwhile } from '@/services/booklet/choices';
export type { Booklet } from '@/services/booklet/open';
export type { CardAnswer } from '@/services/booklet/payCard';
export type {
  AllowanceShown,
  AllowancesShown,
  AllowanceTaxes,
  RoundShown,
} from '@/services/agreements/allowances';
export type { AgreedShown } from '@/services/booklet/agreed';
export type { Asked } from '@/services/booklet/asked';
export type { Certificate, Checked } from '@/services/agreements/certificate';

/** Numbers for trying the card stand-in. */
export interface TrialCards {
  readonly accepted: string;
  readonly refused: string;
  readonly confirmed: string;
  readonly delayed: string;
  readonly code: string;
}
