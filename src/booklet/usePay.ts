import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { post } from './post';
import type { CardAnswer } from './types';

/** What the card service gave, and what it is for, as it stands behind the # when one comes back from there. */
interface Returned {
  readonly card: string;
  readonly idempotencyKey: string;
  readonly invoiceId: string | null;
}

function returned(): Returned | null {
  const behind = new URLSearchParams(window.location.hash.slice(1));
  const card = behind.get('card');
  const [idempotencyKey, invoiceId] = (behind.get('mark') ?? '').split(' ');
  return card && idempotencyKey ? { card, idempotencyKey, invoiceId: invoiceId || null } : null;
}

/** What a payment came to, in a sentence, and whether it is sure that nothing was taken. */
interface Trouble {
  readonly detail: string;
  readonly sure: boolean;
}

/**
 * Paying an invoice by card. The number is typed at the card service, which leads back here with something in its place. Its key
 * stands in the address until there is an answer, so that a retry after a lost one, or a page loaded anew, takes no money twice;
 * where the bank asks for a code, it goes on with that.
 * @param address null in the preview, where nothing is paid
 */
export function usePay(address: string | null) {
  /** What is typed as the bank's code; null while none is asked for. */
  const [code, setCode] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [busy, setBusy] = useState(false);
  /** Somebody came back with a card, and its answer is not there yet. */
  const [back, setBack] = useState<Returned | null>(null);
  /** What was tried last, though it is over: the next try is for the same. Undefined: nothing was. */
  const [tried, setTried] = useState<string | null | undefined>(undefined);
  const asked = useRef(false);

  const over = () => {
    setBack(null);
    window.history.replaceState(null, '', `${window.location.pathname}#pay`);
  };

  const take = (answer: Awaited<ReturnType<typeof post<CardAnswer>>>) => {
    setBusy(false);
    if (!answer.ok) {
      const lost = answer.problem.code === 'no-answer';
      if (!lost && code === null) over();
      return setTrouble({ detail: answer.problem.detail, sure: !lost });
    }
    const { value } = answer;
    if (value.paid === null && value.waitsFor === 'code') return setCode('');
    setCode(null);
    over();
    if (value.paid === false) return setTrouble({ detail: value.reason, sure: true });
    setBusy(true);
    window.location.reload();
  };

  /** Takes the money of a card, or goes on with the bank's code. */
  const charge = async ({ card, idempotencyKey, invoiceId }: Returned) => {
    setBusy(true);
    setTrouble(null);
    take(
      code === null
        ? await post<CardAnswer>(`${address}/pay`, {
            ...{ card, idempotencyKey },
            ...(invoiceId === null ? {} : { invoiceId }),
          })
        : await post<CardAnswer>(`${address}/pay/code`, { code, idempotencyKey }),
    );
  };

  /** Leads to the card service. */
  const leave = async (invoiceId: string | null) => {
    setBusy(true);
    setTrouble(null);
    const answer = await post<{ address: string }>(`${address}/pay/card-page`, {
      idempotencyKey: crypto.randomUUID(),
      ...(invoiceId === null ? {} : { invoiceId }),
    });
    if (answer.ok) return window.location.assign(answer.value.address);
    setBusy(false);
    setTrouble({ detail: answer.problem.detail, sure: true });
  };

  const comeBack = useEffectEvent(() => {
    const found = address ? returned() : null;
    if (!found || asked.current) return;
    asked.current = true;
    setBack(found);
    setTried(found.invoiceId);
    document.getElementById('pay')?.scrollIntoView();
    void charge(found);
  });
  useEffect(() => {
    comeBack();
    // Kept by the browser and shown again, as after Back from the card service: it can be pressed again.
    const shown = ({ persisted }: PageTransitionEvent) => {
      if (persisted) setBusy(false);
    };
    window.addEventListener('pageshow', shown);
    return () => window.removeEventListener('pageshow', shown);
  }, []);

  const pay = async (invoiceId: string | null) => {
    if (!address) return;
    await (back ? charge(back) : leave(invoiceId));
  };
  return { code, setCode, trouble, busy, back, tried, pay };
}
