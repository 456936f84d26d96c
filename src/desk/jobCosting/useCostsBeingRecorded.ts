import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CostInput, ProblemDetails } from '@/model';
import { asked } from '@/ui/asked';
import type { JobActions } from './jobActions';

/** What was typed for a cost that is not known to be recorded; why is null while it is on its way. */
export interface Unrecorded {
  readonly input: CostInput;
  readonly why: string | null;
}

const unknown = (why: string) => `${why}. Whether it is recorded is not known; trying again records it once.`;
const whyNot = ({ code, detail }: ProblemDetails) =>
  code === 'no-answer' ? unknown('the server did not answer') : `it is not recorded. ${detail}`;

/** Costs on their way to the server: any number at a time; each that is not taken stays, with why, and is tried again as itself. */
export function useCostsBeingRecorded(record: JobActions['record']) {
  const router = useRouter();
  const [unrecorded, setUnrecorded] = useState<readonly Unrecorded[]>([]);
  const send = async (input: CostInput) => {
    const others = (all: readonly Unrecorded[]) =>
      all.filter((one) => one.input.idempotencyKey !== input.idempotencyKey);
    setUnrecorded((all) => [...others(all), { input, why: null }]);
    const answer = await asked(record(input));
    setUnrecorded((all) =>
      answer.ok ? others(all) : [...others(all), { input, why: whyNot(answer.problem) }],
    );
    if (answer.ok) router.refresh();
  };
  return {
    unrecorded,
    waiting: unrecorded.filter(({ why }) => why === null).length,
    send,
    drop: (input: CostInput) => setUnrecorded((all) => all.filter((one) => one.input !== input)),
    /** What was kept of them. One that was on its way when the page went may have arrived: sent again it is the same cost. */
    restore: (kept: readonly Unrecorded[]) =>
      setUnrecorded(
        kept.map(({ input, why }) => ({
          input,
          why: why ?? unknown('the page was left before an answer came'),
        })),
      ),
  };
}
