import { useEffect, useRef, useState } from 'react';
import type { OfTrade } from '@/services/library/byTrade';
import type { Found } from '@/services/library/find';
import { askDoor } from '@/ui/askDoor';

/** How long typing rests before it is asked, in milliseconds. */
const REST = 120;

export const idOf = (found: Found) => (found.kind === 'item' ? found.item.id : found.bundle.id);

interface Asked {
  readonly trade: string;
  readonly section: string | undefined;
  readonly words: string;
}

const ask = ({ trade, section, words }: Asked, after: number, signal: AbortSignal) =>
  askDoor<OfTrade>(
    `/api/desk/library/trades?${new URLSearchParams({
      trade,
      ...(section === undefined ? {} : { section }),
      ...(words === '' ? {} : { words }),
      ...(after === 0 ? {} : { after: String(after) }),
    })}`,
    { signal },
  );

/**
 * What is in a trade and has the words: a first lot, then more as it is asked for. Only the answer to what is asked now is
 * shown.
 * @param trade null: nothing is asked
 */
export function useTrade(trade: string | null, section: string | undefined, typed: string) {
  const words = typed.trim();
  const key = JSON.stringify([trade, section, words]);
  const [answer, setAnswer] = useState<OfTrade & { of: string }>({
    of: '',
    found: [],
    all: { bundles: 0, items: 0 },
  });
  const [trouble, setTrouble] = useState<{ of: string; why: string } | null>(null);
  const [moreOf, setMoreOf] = useState<string | null>(null);
  const gone = useRef<AbortController | null>(null);
  useEffect(() => {
    if (trade === null) return;
    const controller = new AbortController();
    gone.current = controller;
    const timer = setTimeout(
      () => {
        ask({ trade, section, words }, 0, controller.signal).then(
          (given) => setAnswer({ of: key, ...given }),
          (error: Error) => {
            if (!controller.signal.aborted) setTrouble({ of: key, why: error.message });
          },
        );
      },
      words === '' ? 0 : REST,
    );
    return () => {
      clearTimeout(timer);
      controller.abort();
    };
  }, [key, trade, section, words]);
  const there = answer.of === key ? answer : null;
  const rest = there ? there.all.bundles + there.all.items - there.found.length : 0;
  const more = () => {
    if (!there || trade === null || moreOf === key || !gone.current) return;
    setMoreOf(key);
    setTrouble(null);
    const { signal } = gone.current;
    ask({ trade, section, words }, there.found.length, signal)
      .then(
        ({ found, all }) =>
          setAnswer((before) => {
            if (before.of !== key) return before;
            const known = new Set(before.found.map(idOf));
            return {
              of: key,
              found: [...before.found, ...found.filter((each) => !known.has(idOf(each)))],
              all,
            };
          }),
        (error: Error) => {
          if (!signal.aborted) setTrouble({ of: key, why: error.message });
        },
      )
      .finally(() => setMoreOf(null));
  };
  return {
    /** Null until the answer is there. */
    found: there?.found ?? null,
    /** How many there are besides those shown. */
    rest,
    more,
    adding: moreOf === key,
    trouble: trouble?.of === key ? trouble.why : null,
  };
}
