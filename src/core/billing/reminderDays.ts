import type { ReminderStep } from '@/model';

/** Days between a reminder and the next, until somebody says otherwise; the first stands a week after the due date. */
const APART = 14;

/** On which day after the due date one more reminder is offered: two weeks after the last there is. */
export const nextReminderDays = (steps: readonly Pick<ReminderStep, 'days'>[]): number =>
  Math.max(-APART / 2, ...steps.map(({ days }) => days)) + APART;
