import type { SchedulePreset, ScheduleEntry } from '@/model';
import type { Amount } from '../number';
import { moneyOf, parseAmount } from '../number';

/** How a payment's share is reckoned: percent of the total, an amount, or the balance. */
export type ShareKind = 'percent' | 'amount' | 'rest';

/** How a payment's share is reckoned now. */
export const shareKindOf = ({ share }: Pick<ScheduleEntry, 'share'>): ShareKind =>
  'percent' in share ? 'percent' : 'amount' in share ? 'amount' : 'rest';

/** What a stage asks for until somebody says otherwise. */
const USUAL_SHARE = { percent: '10' } as const;

/**
 * A schedule with one payment's share reckoned in another way. As an amount it stays what it comes to now, and zero where
 * that is below. Only one payment takes the balance: the one that did keeps the amount it has now.
 * @param amounts what each payment comes to now
 * @param at which payment, from 0
 * @param minorDigits decimals of the currency
 */
export function withShareKind(
  entries: readonly ScheduleEntry[],
  amounts: readonly Amount[],
  at: number,
  kind: ShareKind,
  minorDigits: number,
): ScheduleEntry[] {
  const money = moneyOf(minorDigits);
  const now = (i: number) => ({ amount: money.write(amounts[i]!) });
  return entries.map((entry, i) => {
    if (i === at) {
      if (kind === 'rest') return { ...entry, share: { rest: true } };
      if (kind === 'percent') return { ...entry, share: USUAL_SHARE };
      return { ...entry, share: amounts[i]! > 0n ? now(i) : { amount: money.write(0n as Amount) } };
    }
    return kind === 'rest' && 'rest' in entry.share ? { ...entry, share: now(i) } : entry;
  });
}

/** A schedule with one more stage, before the final payment. */
export function withStage(entries: readonly ScheduleEntry[], id: string): ScheduleEntry[] {
  const stage: ScheduleEntry = {
    id,
    name: 'New stage',
    kind: 'stage',
    share: USUAL_SHARE,
    due: { on: 'stage', stage: 'New stage' },
  };
  const final = entries.findIndex(({ kind }) => kind === 'final');
  const at = final < 0 ? entries.length : final;
  return [...entries.slice(0, at), stage, ...entries.slice(at)];
}

/** A payment under another name; a stage it waits for by its old name goes with it. */
export const renamedEntry = (entry: ScheduleEntry, name: string): ScheduleEntry => ({
  ...entry,
  name,
  ...(entry.due.on === 'stage' && entry.due.stage === entry.name
    ? { due: { on: 'stage', stage: name } }
    : {}),
});

/**
 * Saved schedules, those for jobs of this size before the others, each in the order they were kept.
 * @param total with tax
 * @param minorDigits decimals of the currency
 */
export function presetsBySize(
  presets: readonly SchedulePreset[],
  total: Amount,
  minorDigits: number,
): SchedulePreset[] {
  const fits = ({ upTo }: SchedulePreset) => upTo === undefined || parseAmount(upTo, minorDigits) >= total;
  return [...presets].sort((a, b) => Number(fits(b)) - Number(fits(a)));
}

/** A share as it is read: `10 %`, `500.00`, `the balance`. */
export const shareInWords = (share: ScheduleEntry['share']): string =>
  'percent' in share ? `${share.percent} %` : 'amount' in share ? share.amount : 'the balance';
