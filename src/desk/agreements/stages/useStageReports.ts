import { App } from 'antd';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { readStagePercent } from '@/core/billing/stageProgress';
import type { StageInput } from '@/services/agreements/stages';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';

/** A stage, as its progress is reported. */
export interface ReportedStage {
  readonly agreementId: string;
  readonly name: string;
}

const keyOf = ({ agreementId, name }: ReportedStage) => `${agreementId} ${name}`;

/**
 * Reports how far stages are, one after the other in the order they were typed: what was typed shows until the page has read
 * it back. A report that is refused is told, and the stage shows what is kept of it.
 */
export function useStageReports(save: (input: StageInput) => Promise<Answer<void>>) {
  const router = useRouter();
  const { message } = App.useApp();
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const waiting = useRef(0);

  const drop = (key: string, percent: string) =>
    setTyped((before) => {
      if (before[key] !== percent) return before;
      const { [key]: _, ...others } = before;
      return others;
    });
  /** @throws RangeError where what is typed is no percent */
  const report = (stage: ReportedStage, text: string) => {
    const percent = readStagePercent(text);
    const key = keyOf(stage);
    setTyped((before) => ({ ...before, [key]: percent }));
    waiting.current += 1;
    line.current = line.current
      .then(() => asked(save({ ...stage, percent })))
      .then((answer) => {
        waiting.current -= 1;
        if (!answer.ok) {
          void message.error(answer.problem.detail);
          drop(key, percent);
        }
        if (waiting.current === 0) router.refresh();
      });
  };
  return {
    report,
    /**
     * What stands at a stage: what was typed, until what is kept says the same.
     * @param kept percent as text; null: nothing
     */
    shown: (stage: ReportedStage, kept: string | null): string => {
      const own = typed[keyOf(stage)];
      const value = own ?? kept ?? '';
      return Number(value) === 0 ? '' : value.replace(/(\.\d*?)0+$/, '$1').replace(/\.$/, '');
    },
  };
}
