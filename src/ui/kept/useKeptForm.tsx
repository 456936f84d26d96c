'use client';

import { Alert, Button } from 'antd';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { useKeptDraft } from './useKeptDraft';

interface Stored<T> {
  /** What says which one was stored when it was typed. */
  readonly over: string;
  readonly value: T;
}

/**
 * Keeps a form over something that is stored until it is saved: after a reload, Back or a crash what was typed stands in it
 * again, and the form says so, with a way to what is stored.
 * @param name names the form and what it belongs to; null: nothing is kept
 * @param value what stands in the form, as plain data
 * @param stored what it began with
 * @param restore puts values into the form
 * @param over tells what is stored from what was stored before; its content where nothing is given
 * @returns the way to be done with it, and what to show at its head
 */
export function useKeptForm<T>(
  name: string | null,
  value: T,
  stored: T,
  restore: (value: T) => void,
  over = JSON.stringify(stored),
): { readonly done: () => void; readonly notice: ReactNode } {
  const [back, setBack] = useState<'as it was' | 'changed since' | null>(null);
  // What is typed stands over what was stored when it was begun, whatever is stored meanwhile.
  const [began, setBegan] = useState(over);
  const blank = JSON.stringify(value) === JSON.stringify(stored);
  if (blank && began !== over) setBegan(over);
  const done = useKeptDraft<Stored<T>>(
    name,
    { over: began, value },
    (kept) => {
      restore(kept.value);
      setBack(kept.over === over ? 'as it was' : 'changed since');
    },
    blank,
    // Stored meanwhile: it was kept a moment longer than the page knew of it.
    (kept) => JSON.stringify(kept.value) === JSON.stringify(stored),
  );
  return {
    done: () => {
      setBack(null);
      done();
    },
    notice: back && (
      <Alert
        type="info"
        className="below"
        title={
          back === 'as it was'
            ? 'What you typed here before is back. It is not saved yet.'
            : 'What you typed here before is back. What is stored was changed since: saving puts yours over it.'
        }
        action={
          <Button
            size="small"
            onClick={() => {
              setBack(null);
              restore(stored);
              done();
            }}
          >
            Discard
          </Button>
        }
      />
    ),
  };
}
