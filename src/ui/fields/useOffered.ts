'use client';

import { useEffect, useState } from 'react';
import type { Offered } from '@/services/offered';
import { askDoor } from '../askDoor';

/** How long typing rests before it is asked, in milliseconds. */
const REST = 120;

type Seen<Thing> = ReadonlyMap<string, Thing>;

const withMore = <Thing extends { readonly id: string }>(seen: Seen<Thing>, more: readonly Thing[]) =>
  new Map([...seen, ...more.map((thing) => [thing.id, thing] as const)]);

/** Does a label have all the words? */
const has = (label: string, words: string) =>
  words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => label.toLowerCase().includes(word));

/**
 * Things to pick from, asked of a door while words are typed. Until the answer to the words that stand has come, those seen
 * so far whose label has the words are offered: what a quick hand takes then is what it reads. The one that is picked is
 * asked for where it was not seen yet.
 * @param begun what is offered before anything is typed
 * @param come one that is known besides, as the page came with it; known also where it comes later
 */
export function useOffered<Thing extends { readonly id: string }>({
  door,
  begun,
  come,
  picked,
  label,
}: {
  readonly door: string;
  readonly begun: Offered<Thing>;
  readonly come: Thing | null;
  readonly picked: string | undefined;
  readonly label: (thing: Thing) => string;
}) {
  const [seen, setSeen] = useState<Seen<Thing>>(() => withMore(new Map<string, Thing>(), begun.found));
  const [typed, setTyped] = useState('');
  const [answer, setAnswer] = useState<{ of: string; offered: Offered<Thing> }>({ of: '', offered: begun });
  const [lost, setLost] = useState<{ of: string; why: string } | null>(null);
  const words = typed.trim();
  useEffect(() => {
    if (words === '') return;
    const gone = new AbortController();
    const timer = setTimeout(() => {
      askDoor<Offered<Thing>>(`${door}?${new URLSearchParams({ words })}`, { signal: gone.signal }).then(
        (offered) => {
          setAnswer({ of: words, offered });
          setSeen((before) => withMore(before, offered.found));
        },
        (error: Error) => {
          if (!gone.signal.aborted) setLost({ of: words, why: error.message });
        },
      );
    }, REST);
    return () => {
      clearTimeout(timer);
      gone.abort();
    };
  }, [door, words]);
  const unseen =
    picked !== undefined && picked !== '' && picked !== come?.id && !seen.has(picked) ? picked : null;
  useEffect(() => {
    if (unseen === null) return;
    const gone = new AbortController();
    askDoor<Offered<Thing>>(`${door}?${new URLSearchParams({ id: unseen })}`, { signal: gone.signal }).then(
      (offered) => setSeen((before) => withMore(before, offered.found)),
      () => {},
    );
    return () => gone.abort();
  }, [door, unseen]);
  const there = words === '' ? begun : answer.of === words ? answer.offered : null;
  const trouble = !there && lost?.of === words ? lost.why : null;
  return {
    found: there?.found ?? [...seen.values()].filter((thing) => has(label(thing), words)),
    more: there?.more ?? false,
    waiting: !there && trouble === null,
    trouble,
    of: (id: string | undefined) =>
      [come, ...begun.found].find((thing) => thing?.id === id) ?? seen.get(id ?? ''),
    /** What is typed to find one. */
    words,
    search: setTyped,
  };
}

export type OfferedThings<Thing extends { readonly id: string }> = ReturnType<typeof useOffered<Thing>>;
