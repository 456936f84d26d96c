'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { forget, keep, readKept } from './store';
import { useKeptKey } from './KeptFor';

/**
 * A text in work that the browser keeps until it is done with: it stands there again after a reload, Back or a crash.
 * @param name names the field and what it belongs to, e.g. `answer 0193…`
 * @returns the text, the way to change it, and the way to be done with it (it is empty then)
 */
export function useKeptText(name: string, first = ''): readonly [string, (text: string) => void, () => void] {
  const key = useKeptKey(name);
  const [text, setText] = useState(first);
  const touched = useRef(false);
  useEffect(() => {
    let gone = false;
    touched.current = false;
    if (key !== null)
      void readKept<string>(key).then((kept) => {
        // Who types already goes on with what they type.
        if (!gone && !touched.current && typeof kept === 'string') setText(kept);
      });
    return () => {
      gone = true;
    };
  }, [key]);
  const change = useCallback(
    (next: string) => {
      touched.current = true;
      setText(next);
      if (key !== null) void (next === first ? forget(key) : keep(key, next));
    },
    [key, first],
  );
  const done = useCallback(() => {
    touched.current = true;
    setText('');
    if (key !== null) void forget(key);
  }, [key]);
  return [text, change, done];
}
