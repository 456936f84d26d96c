import { App } from 'antd';
import type { Answer } from '@/model';
import type { Submitted } from './useSubmit';
import { useSubmit } from './useSubmit';

interface Question {
  readonly title: string;
  /** What follows from a yes. */
  readonly content: string;
  /** The act in a word or two, as the button names it. */
  readonly okText: string;
}

/** Asks before something is done that cannot be taken back, and does it on a yes; a refusal is told. */
export function useConfirmed() {
  const { modal } = App.useApp();
  const { submit } = useSubmit({ tells: true });
  return <T>(question: Question, act: () => Promise<Answer<T>>, after: Submitted<T> = {}): void => {
    modal.confirm({
      ...question,
      cancelText: 'Cancel',
      onOk: () => submit(act, after).then(() => undefined),
    });
  };
}
