import { App } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Answer } from '@/model';
import { asked } from './asked';

interface Submitted<T> {
  /** What is said when it is done. */
  readonly said?: string | ((value: T) => string);
  /** What follows: closing a dialog, going elsewhere. */
  readonly then?: (value: T) => void;
}

/**
 * How a form or a button has something done: busy while it waits, what the answer was, the page read anew. A refusal stands
 * in `refused`, for forms that show it in place; where `tells` is asked for, it is told as a message.
 */
export function useSubmit({ tells = false }: { readonly tells?: boolean } = {}) {
  const { message } = App.useApp();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const submit = async <T>(
    act: () => Promise<Answer<T>>,
    { said, then }: Submitted<T> = {},
  ): Promise<void> => {
    setBusy(true);
    setRefused(null);
    const answer = await asked(act());
    setBusy(false);
    if (!answer.ok) {
      setRefused(answer.problem.detail);
      if (tells) void message.error(answer.problem.detail);
      return;
    }
    if (said !== undefined) void message.success(typeof said === 'string' ? said : said(answer.value));
    router.refresh();
    then?.(answer.value);
  };
  return { busy, refused, setRefused, submit };
}
