import { useEffect, useState } from 'react';
import type { AmountIs } from '@/core/editing';
import { fitsWell, lineAsTyped, ownLineAsTyped } from '@/core/editing';
import { readPasted } from '@/core/copying';
import type { LibraryItem, Line } from '@/model';
import { matchLines } from '../../../library/search';
import { newPartId } from '../context';

/** What a pasted line becomes, besides an item. */
export const OWN = 'own';
export const SKIP = 'skip';

/** More lines than a section holds are no list of lines. */
export const MOST_PASTED = 5000;
/** How many lines are looked up in one request. */
const CHUNK = 40;

/**
 * Lines pasted from a spreadsheet or a text list, each with the items of the library that are like it. Matched by itself
 * only where words and unit fit well; else it is a line of one's own, with what is like it to pick.
 */
export function usePastedLines(text: string, sectionTitle: string | undefined, taxClass: string) {
  const [pasted] = useState(() => readPasted(text));
  const rows = pasted.lines;
  const [matches, setMatches] = useState<readonly (readonly LibraryItem[])[]>([]);
  const [picks, setPicks] = useState<Readonly<Record<number, string>>>({});
  const [trouble, setTrouble] = useState<string | null>(null);
  const tooMany = rows.length > MOST_PASTED;

  useEffect(() => {
    if (tooMany) return;
    const stop = new AbortController();
    const look = async () => {
      const found: LibraryItem[][] = [];
      for (let at = 0; at < rows.length; at += CHUNK) {
        const words = rows
          .slice(at, at + CHUNK)
          .map(({ code, words: said }) => [code, said].filter(Boolean).join(' ').slice(0, 200));
        found.push(...(await matchLines(words, sectionTitle, stop.signal)));
        setMatches([...found]);
      }
    };
    look().catch(
      () => !stop.signal.aborted && setTrouble('The library does not answer. Close this and paste again.'),
    );
    return () => stop.abort();
  }, [rows, sectionTitle, tooMany]);

  const pickOf = (i: number): string =>
    picks[i] ?? matches[i]?.find((item) => fitsWell(rows[i]!, item))?.id ?? OWN;
  return {
    pasted,
    rows,
    matches,
    tooMany,
    trouble,
    setTrouble,
    done: matches.length === rows.length,
    /** How many lines it comes to as it is picked. */
    count: rows.filter((_, i) => pickOf(i) !== SKIP).length,
    pickOf,
    pick: (i: number, what: string) => setPicks((before) => ({ ...before, [i]: what })),
    /** @throws Error in words for a line that cannot be */
    lines: (amountIs: AmountIs): Line[] =>
      rows.flatMap((typed, i): Line[] => {
        const pick = pickOf(i);
        if (pick === SKIP) return [];
        const item = matches[i]?.find(({ id }) => id === pick);
        return [
          item
            ? lineAsTyped(item, newPartId(), typed, amountIs)
            : ownLineAsTyped(typed, newPartId(), taxClass, amountIs),
        ];
      }),
  };
}

export type PastedLines = ReturnType<typeof usePastedLines>;
