/** What waits in the queue, by what is to be done with it. */
export const queues = {
  /** A letter of a company goes to its carrier. */
  letter: { tries: 9, patience: 120 },
  /** A letter about somebody's way in goes to its carrier. */
  'account-letter': { tries: 9, patience: 120 },
  /** News of a company goes to another program. */
  webhook: { tries: 9, patience: 60 },
  /** Reminders of every company that wants them sent by themselves. */
  reminders: { tries: 3, patience: 900 },
} as const;

export type Queue = keyof typeof queues;

/** What each of them needs to know: names of rows, never what stands in them. */
export interface Work {
  readonly letter: { readonly companyId: string; readonly letterId: string };
  readonly 'account-letter': { readonly letterId: string };
  readonly webhook: { readonly companyId: string; readonly messageId: string };
  readonly reminders: Readonly<Record<string, never>>;
}
