import { App } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { MovedItem, RatesAndCrews } from '@/services/library/rates';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import type { Sent } from './useInTurn';
import { useInTurn } from './useInTurn';

type Saved = Answer<{ readonly id: string; readonly count: number; readonly moved: readonly MovedItem[] }>;

export interface RatesActions {
  readonly saveRate: (input: unknown, id?: string) => Promise<Saved>;
  readonly saveCrew: (input: unknown, id?: string) => Promise<Saved>;
  readonly removeCrew: (id: string) => Promise<Answer<void>>;
}

/** Rates and crews in work: each change is kept as it is typed and goes out in turn; what it moved is told. */
export function useRates({ rates, crews }: RatesAndCrews, readOnly: boolean, actions: RatesActions) {
  const router = useRouter();
  const { message } = App.useApp();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [moved, setMoved] = useState<{ readonly count: number; readonly moved: readonly MovedItem[] } | null>(
    null,
  );
  /** Says what an act answered. */
  const after = async (refusal: string, act: Promise<Saved>): Promise<Sent> => {
    const answer = await asked(act);
    const unanswered = !answer.ok && answer.problem.code === 'no-answer';
    // A change without an answer is told of by itself, with a way to try again.
    setTrouble(answer.ok || unanswered ? null : `${refusal} ${answer.problem.detail}`);
    if (answer.ok) {
      setMoved(answer.value.count > 0 ? answer.value : null);
      if (answer.value.count === 0) void message.success('Kept.');
    }
    router.refresh();
    return answer.ok ? 'taken' : unanswered ? 'no answer' : 'refused';
  };
  const add = (refusal: string, act: Promise<Saved>) =>
    void after(refusal, act).then((sent) => {
      if (sent === 'no answer')
        setTrouble(
          'The server did not answer. Whether it was added is not known: look before you try again.',
        );
    });
  const shownRates = useInTurn(readOnly ? null : 'rates', rates, ({ id, name }, patch) =>
    after(`${name} is not changed.`, actions.saveRate(patch, id)),
  );
  const shownCrews = useInTurn(readOnly ? null : 'crews', crews, ({ id, name }, patch) =>
    after(`${name} is not changed.`, actions.saveCrew(patch, id)),
  );
  return {
    rates: shownRates.shown,
    crews: shownCrews.shown,
    changeRate: shownRates.change,
    changeCrew: shownCrews.change,
    trouble,
    moved,
    closeMoved: () => setMoved(null),
    waiting: shownRates.waiting + shownCrews.waiting,
    /** Changes that got no answer. */
    stuck: shownRates.stuck + shownCrews.stuck,
    again: () => {
      setTrouble(null);
      shownRates.again();
      shownCrews.again();
    },
    addRate: () =>
      add(
        'No rate is added.',
        actions.saveRate({ name: `Rate ${rates.length + 1}`, normal: '0', overtime: '0' }),
      ),
    addCrew: (rateId: string) =>
      add(
        'No crew is added.',
        actions.saveCrew({
          name: `Crew ${crews.length + 1}`,
          people: [{ rateId, count: 1 }],
          equipment: [],
        }),
      ),
    removeCrew: (id: string) =>
      void asked(actions.removeCrew(id)).then((answer) => {
        setTrouble(answer.ok ? null : answer.problem.detail);
        router.refresh();
      }),
  };
}
