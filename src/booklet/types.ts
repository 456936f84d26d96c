/* What the booklet is given; only types, so that nothing of the acts can come along. */
export type { Meanwhile } from '@/acts/booklet/choices';
export type { Booklet } from '@/acts/booklet/open';
export type { DepositAnswer } from '@/acts/booklet/payDeposit';
export type { AllowanceShown, AllowancesShown, RoundShown } from '@/acts/agreements/allowances';
export type { AgreedShown } from '@/acts/booklet/agreed';
export type { Asked } from '@/acts/booklet/asked';
export type { Certificate, Checked } from '@/acts/agreements/certificate';
