import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

/** How long typing rests before a list is asked for anew, in milliseconds. */
const REST = 180;

/**
 * The words of a search field, put into the page's address a moment after the last key, so that the list can be come back to.
 *
 * @param search the words the page was made with
 * @param address the page's address for some words
 */
export function useWordsInAddress(search: string, address: (words: string) => string) {
  const router = useRouter();
  const [words, setWords] = useState(search);
  const next = words === search ? null : address(words);
  useEffect(() => {
    if (next === null) return;
    const timer = setTimeout(() => router.replace(next), REST);
    return () => clearTimeout(timer);
  }, [next, router]);
  return [words, setWords] as const;
}
