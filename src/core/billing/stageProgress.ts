import type { Fixed } from '../number';
import { ONE, ZERO_FIXED, parsePercent } from '../number';

/** How far a stage is: nothing of it is reported, a part, or it is done. */
export type StageState = 'not begun' | 'under way' | 'done';

export const stageStates: readonly StageState[] = ['not begun', 'under way', 'done'];

/** What is kept of a stage’s progress. */
export interface StageReported {
  /** The day it was done; null: it is not. */
  readonly doneOn: string | null;
  /** What was reported of it last, in percent between 0 and 100; null: nothing. Done, it counts no more. */
  readonly percent: string | null;
}

/**
 * How much of a stage is done, as a fraction of one, by what is reported; null where nothing is and it is not done.
 */
export const stageProgress = ({ doneOn, percent }: StageReported): Fixed | null =>
  doneOn !== null ? ONE : percent === null ? null : parsePercent(percent);

/** Whether a stage is done, a part of it is reported, or nothing is. */
export function stageState(stage: StageReported): StageState {
  const progress = stageProgress(stage);
  return progress === ONE ? 'done' : progress === null || progress === ZERO_FIXED ? 'not begun' : 'under way';
}

/** Whether a stage should have been done by now. */
export const isStageLate = (
  { doneOn, plannedOn }: { readonly doneOn: string | null; readonly plannedOn: string | null },
  today: string,
): boolean => doneOn === null && plannedOn !== null && plannedOn < today;

/**
 * A percent of a stage as people type it: “60”, “60 %”, “62.5”; nothing is none of it.
 * @returns percent as text, 0 to 100
 * @throws RangeError in words
 */
export function readStagePercent(typed: string): string {
  const text = typed.replace('%', '').trim();
  if (text === '') return '0';
  if (!/^\d{1,3}([.]\d{1,2})?$/.test(text) || parsePercent(text) > ONE)
    throw new RangeError('How much of it is done, in percent from 0 to 100.');
  return text;
}
