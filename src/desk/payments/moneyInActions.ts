import type { AgreementAtDesk } from '@/services/agreements/read';
import type { Answer, CardRefundInput, CreditUseInput, RefundInput, ReversalInput } from '@/model';

/** What can be done with money that came in on an agreement. */
export interface MoneyInActions {
  readonly putCredit: (input: CreditUseInput) => Promise<Answer<{ put: string }>>;
  readonly refund: (input: RefundInput) => Promise<Answer<{ id: string }>>;
  readonly refundToCard: (input: CardRefundInput) => Promise<Answer<{ id: string }>>;
  readonly reverse: (input: ReversalInput) => Promise<Answer<void>>;
}

export type Received = AgreementAtDesk['received'][number];

/** Returned by the bank, or recorded by mistake. */
export type Reversal = NonNullable<Received['gone']>['kind'];
