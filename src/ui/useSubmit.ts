import type { FormInstance } from 'antd';
import { App } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Answer, ProblemDetails } from '@/model';
import { asked } from './asked';
import { putAtFields } from './atFields';

/** What follows an act that was done, or refused. */
export interface Submitted<T> {
  /** What is said when it is done. */
  readonly said?: string | ((value: T) => string);
  /** What follows: a dialog closes, what was kept of the form is forgotten. */
  readonly then?: (value: T) => void;
  /** What a refusal is besides its sentence: what it was refused for may have to be shown. */
  readonly otherwise?: (problem: ProblemDetails) => void;
  /** Where it leads; without it, the page is read anew. */
  readonly to?: (value: T) => string;
  /** Where it leads stands in the place of this page in the history: a form that became a thing. */
  readonly replaces?: boolean;
  /** False: the page knows by itself what came of it and is not read anew. */
  readonly rereads?: boolean;
}

/**
 * How a form or a button has something done: busy while it waits (and until another page is there, where it leads to one),
 * what the answer was, the page read anew. A refusal stands in `refused`, for forms that show it in place; where `tells` is
 * asked for, it is told as a message. What a refusal says of a field stands at that field of the form. `submit` resolves to
 * whether it was done.
 */
export function useSubmit({
  tells = false,
  form,
}: { readonly tells?: boolean; readonly form?: FormInstance } = {}) {
  const { message } = App.useApp();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const submit = async <T>(
    act: () => Promise<Answer<T>>,
    { said, then, otherwise, to, replaces = false, rereads = true }: Submitted<T> = {},
  ): Promise<boolean> => {
    setBusy(true);
    setRefused(null);
    const answer = await asked(act());
    if (!answer.ok || !to) setBusy(false);
    if (!answer.ok) {
      const placed = form !== undefined && putAtFields(form, answer.problem);
      setRefused(placed ? null : answer.problem.detail);
      if (tells) void message.error(answer.problem.detail);
      otherwise?.(answer.problem);
      // What it was refused for may have changed what is shown. Without an answer there is nothing to read it from; where the
      // browser went on elsewhere, reading anew would lead away from what was typed.
      const { code } = answer.problem;
      if (rereads && code !== 'no-answer' && code !== 'session-elsewhere') router.refresh();
      return false;
    }
    const { value } = answer;
    if (said !== undefined) void message.success(typeof said === 'string' ? said : said(value));
    then?.(value);
    if (to) router[replaces ? 'replace' : 'push'](to(value));
    else if (rereads) router.refresh();
    return true;
  };
  return { busy, refused, setRefused, submit };
}
