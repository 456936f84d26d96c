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

/** What was typed at a stage, over what was kept then. */
interface Typed {
  readonly percent: string;
  readonly over: string | null;
}

const written = (percent: string | null): string =>
  percent === null || Number(percent) === 0 ? '' : percent.replace(/(\.\d*?)0+$/, '$1').replace(/\.$/, '');

/**
 * Reports how far stages are, one after the other in the order they were typed: what was typed shows until the page has read
 * anything else there than it was typed over, be it one's own word or another person's. A report that is refused is told, and
 * the stage shows what is kept of it.
 */
export function useStageReports(save: (input: StageInput) => Promise<Answer<void>>) {
  const router = useRouter();
  const { message } = App.useApp();
  const [typed, setTyped] = useState<Readonly<Record<string, Typed>>>({});
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const waiting = useRef(0);

  const drop = (key: string, { percent }: Typed) =>
    setTyped((before) => {
      if (before[key]?.percent !== percent) return before;
      const { [key]: _, ...others } = before;
      return others;
    });
  /**
   * @param kept what is kept of it as this is typed
   * @throws RangeError where what is typed is no percent
   */
  const report = (stage: ReportedStage, text: string, kept: string | null) => {
    const one: Typed = { percent: readStagePercent(text), over: kept };
    const key = keyOf(stage);
    setTyped((before) => ({ ...before, [key]: one }));
    waiting.current += 1;
    line.current = line.current
      .then(() => asked(save({ ...stage, percent: one.percent })))
      .then((answer) => {
        waiting.current -= 1;
        if (!answer.ok) {
          void message.error(answer.problem.detail);
          drop(key, one);
        }
        if (waiting.current === 0) router.refresh();
      });
  };
  return {
    report,
    /**
     * What stands at a stage.
     * @param kept percent as text; null: nothing
     */
    shown: (stage: ReportedStage, kept: string | null): string => {
      const own = typed[keyOf(stage)];
      return written(own && own.over === kept ? own.percent : kept);
    },
  };
}
