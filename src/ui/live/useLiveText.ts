'use client';

import { useEffect, useId, useRef, useState } from 'react';
import { REST, useLiveFields } from './liveFields';

/**
 * The text of a field while it is typed in. Where the document takes fields live, it is written after a moment of rest and
 * again when the field is left; text that cannot be read yet waits, and is said to be unsaved. Elsewhere it is taken when
 * the field is left.
 * @param before what stands there when nobody types
 * @param commit takes the text; what it throws is said when the field is left
 * @param keepWrong text that cannot be taken stays in the field; else the field goes back to what stood there
 */
export function useLiveText(before: string, commit: (text: string) => void, { keepWrong = false } = {}) {
  const live = useLiveFields();
  const field = useId();
  const [text, setText] = useState<string | null>(null);
  // What a timer or a leaving page sees: the text as of the last key, before anything is drawn again.
  const typed = useRef<string | null>(null);
  const taken = useRef<string | null>(null);
  /** What was taken last, and what stood there then. */
  const settled = useRef<{ readonly text: string; readonly stood: string } | null>(null);
  const visit = useRef(0);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const latest = useRef({ before, commit, live });
  useEffect(() => {
    latest.current = { before, commit, live };
  });

  const name = () => `${field} ${visit.current}`;
  const stopTimer = () => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
  };

  /** Takes what is typed; returns what is wrong with it, or null. */
  const take = (): string | null => {
    stopTimer();
    const given = typed.current;
    const { before: stood, commit: put, live: within } = latest.current;
    const known = taken.current ?? stood;
    // What stands there may be of before the last answer: typed again, it takes back what was typed since.
    const { current: last } = settled;
    const stale = taken.current === null && last !== null && last.stood === stood && last.text !== stood;
    if (given === null || (given === known && !stale)) {
      within?.typing(field, null);
      return null;
    }
    try {
      if (within) within.asOneEdit(name(), () => put(given));
      else put(given);
      taken.current = given;
      settled.current = { text: given, stood };
      within?.typing(field, null);
      return null;
    } catch (error) {
      return (error as Error).message;
    }
  };

  const change = (next: string) => {
    typed.current = next;
    setText(next);
    const { live: within } = latest.current;
    if (!within) return;
    within.typing(field, () => void take());
    stopTimer();
    timer.current = setTimeout(() => void take(), REST);
  };

  /** The field is left: what is typed is taken, or what is wrong with it is returned. */
  const leave = (): string | null => {
    const wrong = take();
    if (wrong !== null && keepWrong) return wrong;
    latest.current.live?.typing(field, null);
    typed.current = null;
    taken.current = null;
    visit.current += 1;
    setText(null);
    return wrong;
  };

  /** What was typed here is taken back. */
  const cancel = () => {
    stopTimer();
    const { live: within } = latest.current;
    if (taken.current !== null) within?.takeBack(name());
    within?.typing(field, null);
    typed.current = null;
    taken.current = null;
    visit.current += 1;
    setText(null);
  };

  const takeNow = useRef(take);
  useEffect(() => {
    takeNow.current = take;
  });
  // A page left in mid-typing takes what is typed along.
  useEffect(
    () => () => {
      takeNow.current();
      latest.current.live?.typing(field, null);
    },
    [field],
  );

  return { text, dirty: text !== null && text !== before, change, leave, cancel };
}
