/* What the booklet is given; only types, so that nothing of the acts can come along. */
export type { Meanwhile } from '@/data/proposals/choices';
export type { Booklet } from '@/services/booklet/open';
export type { CardAnswer } from '@/services/booklet/payCard';
export type {
  AllowanceShown,
  AllowancesShown,
  AllowanceTaxes,
  RoundShown,
} from '@/data/agreements/allowances';
export type { AgreedShown } from '@/services/booklet/agreed';
export type { Asked } from '@/data/proposals/questions';
export type { Certificate, Checked } from '@/services/booklet/certificate';
