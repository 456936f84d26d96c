import { useRef, useState } from 'react';
import { post } from './post';
import type { CardAnswer } from './types';

/**
 * Paying an invoice by card. The key stays until there is an answer, so that a retry after a lost one takes no money twice;
 * where the bank asks for a code, it goes on with that.
 * @param address null in the preview, where nothing is paid
 */
export function usePay(address: string | null) {
  const [number, setNumber] = useState('');
  const [expiry, setExpiry] = useState('');
  /** What is typed as the bank's code; null while none is asked for. */
  const [code, setCode] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const key = useRef<string | null>(null);

  const ask = (invoiceId: string | null) => {
    key.current ??= crypto.randomUUID();
    const idempotencyKey = key.current;
    return code === null
      ? post<CardAnswer>(`${address}/pay`, {
          number,
          expiry,
          idempotencyKey,
          ...(invoiceId === null ? {} : { invoiceId }),
        })
      : post<CardAnswer>(`${address}/pay/code`, { code, idempotencyKey });
  };
  const pay = async (invoiceId: string | null) => {
    if (!address) return;
    setBusy(true);
    setRefused(null);
    const answer = await ask(invoiceId);
    if (!answer.ok) {
      setBusy(false);
      if (answer.problem.code !== 'no-answer' && code === null) key.current = null;
      setRefused(answer.problem.detail);
      return;
    }
    const { value } = answer;
    if (value.paid === null && value.waitsFor === 'code') {
      setBusy(false);
      setCode('');
    } else if (value.paid === false) {
      setBusy(false);
      key.current = null;
      setCode(null);
      setRefused(value.reason);
    } else window.location.reload();
  };
  return { number, setNumber, expiry, setExpiry, code, setCode, refused, busy, pay };
}
