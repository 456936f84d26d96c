import { useRef, useState } from 'react';
import { choicesAlike } from '@/core/allowance/roundChosen';
import type { Choices } from '@/model/choices';
import { post } from './post';
import type { RoundShown } from './types';

/** Told of each pick that is sent, and of its answer. */
export type PicksOnTheirWay = (now: 'sent' | 'answered') => void;

/**
 * What is chosen in a round: what was tapped last is what is kept, and the signature carries it in any case. What somebody
 * else with the link picked comes to the page, and is said.
 */
export function useRoundChoices(round: RoundShown, address: string | null, picks: PicksOnTheirWay) {
  const [choices, setChoices] = useState(round.choices);
  // What came to the page last; what is another is what somebody else picked, or we sent ourselves.
  const [came, setCame] = useState(round.choices);
  const [others, setOthers] = useState(false);
  if (came !== round.choices) {
    setCame(round.choices);
    if (!choicesAlike(round.choices, choices)) {
      setChoices(round.choices);
      setOthers(true);
    }
  }
  const sending = useRef(Promise.resolve());
  const choose = (next: Choices) => {
    setChoices(next);
    setOthers(false);
    if (!address) return;
    const { id: roundId, saveNumber } = round;
    picks('sent');
    sending.current = sending.current.then(async () => {
      await post(`${address}/rounds/choices`, { roundId, saveNumber, choices: next });
      picks('answered');
    });
  };
  return {
    choices,
    choose,
    /** Somebody else chose since the last tap here. */
    others,
    /** Resolves when everything tapped was sent. */
    sent: () => sending.current,
  };
}
