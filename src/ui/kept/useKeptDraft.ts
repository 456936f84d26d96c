'use client';

import { useCallback, useEffect, useRef } from 'react';
import { forget, keep, readKept } from './store';
import { useKeptKey } from './KeptFor';

/**
 * Keeps what stands in a form in the browser until it is done with, and puts it back once when the form comes again after
 * a reload, Back or a crash.
 * @param name names the form and what it belongs to; null: nothing is kept now
 * @param value plain data: everything typed in the form
 * @param restore puts kept values back into the form
 * @param blank whether there is nothing to keep; where it is left out: what stands there is what the form began with
 * @param isStored whether what was kept is what is stored by now: there is nothing to put back then
 * @returns the way to be done with it as it stands, or as it will stand next; what is changed after that is kept again
 */
export function useKeptDraft<T>(
  name: string | null,
  value: T,
  restore: (kept: T) => void,
  blank?: boolean,
  isStored: (kept: T) => boolean = () => false,
): (next?: T) => void {
  const whole = useKeptKey(name ?? '');
  const key = name === null ? null : whole;
  const first = useRef<string | null>(null);
  const ready = useRef(false);
  const wrote = useRef(false);
  const text = JSON.stringify(value);
  const latest = useRef({ restore, isStored, text });
  useEffect(() => {
    latest.current = { restore, isStored, text };
  });
  useEffect(() => {
    if (key === null) return;
    let gone = false;
    ready.current = false;
    first.current = latest.current.text;
    void readKept<string>(key).then((kept) => {
      if (gone) return;
      ready.current = true;
      wrote.current ||= kept !== undefined;
      // Who changed something already goes on with that.
      if (typeof kept !== 'string' || kept === first.current) return;
      if (latest.current.text !== first.current) return;
      const value = JSON.parse(kept) as T;
      if (latest.current.isStored(value)) void forget(key);
      else latest.current.restore(value);
    });
    return () => {
      gone = true;
    };
  }, [key]);
  useEffect(() => {
    if (key === null) return;
    if (!(blank ?? text === first.current)) {
      wrote.current = true;
      void keep(key, text);
    } else if (wrote.current && ready.current) {
      // Typed back to what it was: there is nothing to keep.
      wrote.current = false;
      void forget(key);
    }
  }, [key, text, blank]);
  return useCallback(
    (next?: T) => {
      // What stands there now is stored elsewhere; what is typed after it is kept again.
      first.current = next === undefined ? latest.current.text : JSON.stringify(next);
      wrote.current = false;
      if (key !== null) void forget(key);
    },
    [key],
  );
}
