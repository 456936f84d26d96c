import { useState } from 'react';
import type { Answer } from '@/model';

type Refusal = Extract<Answer<unknown>, { ok: false }>['problem'];

/** What is odd about a payment is asked about once; sent again, it is said to be sure. @param settle takes the refusal back */
export function useDoubts(settle: () => void) {
  const [doubts, setDoubts] = useState<readonly string[] | null>(null);
  return {
    doubts,
    /** What says so to the server. */
    sure: doubts === null ? {} : { sure: true as const },
    /** A refusal that only asks. */
    otherwise: ({ code, context }: Refusal) => {
      if (code !== 'looks-recorded') return;
      setDoubts((context as { doubts: readonly string[] }).doubts);
      settle();
    },
    forgetDoubts: () => setDoubts(null),
  };
}
