import type { Contract } from '@/model';
import { moneyOf, sumAmounts } from '../number';
import type { LoadedAgreement } from './loadedAgreement';

/** An agreement as a change order is seen against it; nothing in it is internal. */
export function contractOf(loaded: LoadedAgreement): Contract {
  const money = moneyOf(loaded.digits);
  const entries = loaded.payments.map(({ entryId, name, amount, billed }) => ({
    id: entryId,
    name,
    amount: money.write(amount),
    billed: billed !== 0n,
  }));
  return {
    agreement: loaded.head.number,
    title: loaded.head.title,
    minorDigits: loaded.digits,
    original: loaded.head.total,
    changes: loaded.changes.map(({ number, title, total }) => ({ number, title, total })),
    sum: money.write(loaded.total),
    tax: money.write(sumAmounts(loaded.lines.flatMap(({ taxes }) => taxes))),
    entries,
    mark: entries.map(({ id, amount, billed: is }) => `${id}=${amount}${is ? '!' : ''}`).join(' '),
  };
}
