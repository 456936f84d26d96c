import { useEffect, useRef, useState } from 'react';
import { readAddLine } from '@/core/quantity';
import type { Found } from '../../../library/search';
import { findInLibrary } from '../../../library/search';

/** How long the words rest before they are looked up, in milliseconds. */
const REST = 60;

/**
 * What of the library fits the words of the add line, looked up while they are typed. An answer to what is not asked any
 * more is no answer.
 * @param section what is often used on such sections comes first
 */
export function useFoundWords(words: string, section: string | undefined) {
  const [found, setFound] = useState<{ readonly words: string; readonly all: readonly Found[] } | null>(null);
  const [picked, setPicked] = useState(0);
  const request = useRef<AbortController | null>(null);
  const look = (wanted: string) => {
    request.current?.abort();
    const controller = new AbortController();
    request.current = controller;
    findInLibrary(wanted, section, controller.signal).then(
      (all) => {
        if (request.current !== controller) return;
        setFound({ words: wanted, all });
        setPicked(0);
      },
      () => undefined,
    );
  };
  useEffect(() => {
    if (words.length === 0) return;
    const timer = setTimeout(() => look(words), REST);
    return () => clearTimeout(timer);
    // The words alone ask anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [words]);
  return {
    /** Whether anything was looked up since it was given up last. */
    looked: found !== null,
    shown: found !== null && (words !== '' || found.words === '') ? found.all : [],
    picked,
    setPicked,
    look,
    giveUp: () => {
      request.current?.abort();
      request.current = null;
      setFound(null);
      setPicked(0);
    },
    /** What is picked, where it was found for just this text. */
    pickedFor: (typed: string): Found | null =>
      found !== null && found.words === readAddLine(typed).words ? (found.all[picked] ?? null) : null,
  };
}
