import type { Answer, CostInput } from '@/model';

/** What can be done with the costs of a job. */
export interface JobActions {
  readonly record: (input: CostInput) => Promise<Answer<{ id: string }>>;
  readonly takeBack: (input: { costId: string; idempotencyKey: string }) => Promise<Answer<void>>;
  readonly attach: (input: { costId: string; invoiceId: string | null }) => Promise<Answer<void>>;
  readonly saveToCome: (input: {
    agreementId: string;
    stage: string;
    toCome: string | null;
  }) => Promise<Answer<void>>;
}
