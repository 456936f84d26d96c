import { useRef, useState } from 'react';
import type { Choices } from '@/model/choices';
import type { ProblemDetails } from '@/model/problem';
import { newsIn } from './newsIn';
import { post } from './post';
import type { Choose } from './Section';
import type { Booklet, Meanwhile } from './types';
import { useFresh } from './useFresh';

/**
 * An open booklet: what is chosen on it, and how it is kept as the server has it. What was tapped last is what counts: taps
 * during an answer are sent together after it. What others do reaches it by itself, never over a tap of one's own.
 * @param address where choices go; null in the preview, where nothing is kept
 * @param mark what it looked like when it was read
 */
export function useChoosing(first: Booklet, address: string | null, mark: string) {
  const [data, setData] = useState(first);
  const [chosen, setChosen] = useState(first.choices);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [busy, setBusy] = useState(false);
  const [news, setNews] = useState<string | null>(null);
  const latest = useRef(first.choices);
  const settled = useRef(first.choices);
  const seen = useRef(first.chosen);
  const sending = useRef(false);
  const held = useRef(false);
  /** Picks of rounds on their way, and when the last of them was answered. */
  const picking = useRef({ count: 0, last: 0 });

  /** Goes on from choices the server has, and which count of changes they are. */
  const standOn = (choices: Choices, number: number) => {
    settled.current = choices;
    seen.current = number;
    latest.current = choices;
    setChosen(choices);
  };

  /** Goes on from what somebody else chose meanwhile, where a refusal says so. */
  const adopt = (refusal: ProblemDetails) => {
    const now = (refusal.context as { now?: Meanwhile } | undefined)?.now;
    if (!now) return;
    standOn(now.choices, now.number);
    setData((before) => ({ ...before, view: now.view, choices: now.choices }));
  };

  useFresh(address, mark, (now, began) => {
    // Own taps first: what they come to is in their answer.
    if (sending.current || held.current) return false;
    // Asked before a pick of a round was there: it may not be in it.
    if (picking.current.count > 0 || began < picking.current.last) return false;
    // Told of before an answer that is here already: asked again.
    if (now.revision.id === data.revision.id && now.chosen < seen.current) return false;
    const said = newsIn(data, now, seen.current);
    standOn(now.choices, now.chosen);
    setData(now);
    setProblem(null);
    if (said) setNews(said);
    return true;
  });

  const send = async () => {
    if (sending.current || !address) return;
    sending.current = true;
    setBusy(true);
    for (let asked: Choices | null = null; asked !== latest.current;) {
      asked = latest.current;
      const answer = await post<Meanwhile>(`${address}/choices`, {
        revisionId: data.revision.id,
        choices: asked,
        seen: seen.current,
      });
      if (answer.ok) {
        settled.current = asked;
        seen.current = answer.value.number;
        setProblem(null);
        setData((before) => ({ ...before, view: answer.value.view, choices: asked! }));
      } else {
        // Somebody else chose meanwhile: their state is the one to go on from.
        adopt(answer.problem);
        latest.current = settled.current;
        asked = settled.current;
        setChosen(settled.current);
        setProblem(answer.problem);
      }
    }
    sending.current = false;
    setBusy(false);
  };
  const choose: Choose = (change) => {
    latest.current = change(latest.current);
    setChosen(latest.current);
    if (address) void send();
  };

  return {
    data,
    setData,
    chosen,
    choose,
    problem,
    busy,
    adopt,
    news,
    closeNews: () => setNews(null),
    /** While something is decided, nothing of others is taken. */
    hold: (now: boolean) => {
      held.current = now;
    },
    /** A pick of a round is on its way, or was answered. */
    picked: (now: 'sent' | 'answered') => {
      picking.current = {
        count: picking.current.count + (now === 'sent' ? 1 : -1),
        last: performance.now(),
      };
    },
  };
}
