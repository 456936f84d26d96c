import type { Choices, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import type { Amount } from '../number';
import { ZERO } from '../number';
import type { Figures } from '../price';
import { computeFigures } from '../price';
import { computeSchedule } from '../schedule';
import { groupOf } from './groups';

/** Money in less money out when a stage of the work is done, before and after it is paid. */
export interface CashPoint {
  readonly name: string;
  /** Cost of all work to here. */
  readonly spent: Amount;
  /** Paid to here, when each stage is paid by the lines in it. */
  readonly byWork: Amount;
  /** Paid to here by the payment schedule. */
  readonly bySchedule: Amount;
}

export interface CashCurve {
  readonly points: readonly CashPoint[];
  /** The deepest we are in front of the customer's money: the stage's work done, the stage not paid yet. */
  readonly lowest: { readonly byWork: Amount; readonly bySchedule: Amount };
}

interface Stage {
  readonly name: string;
  cost: bigint;
  net: bigint;
}

function stagesOf(figures: Figures): Stage[] {
  const stages = new Map<string, Stage>();
  for (const { section, lines } of figures.sections)
    for (const { line, bundle, included, costAmount, net } of lines) {
      if (!included) continue;
      const name = groupOf(bundle ?? line, section, 'phase') || section.title;
      const stage = stages.get(name) ?? { name, cost: 0n, net: 0n };
      stage.cost += costAmount;
      stage.net += net;
      stages.set(name, stage);
    }
  return [...stages.values()];
}

/**
 * The cash over the stages of the work, before tax: what is spent, and what is paid by then, either stage by stage for
 * the lines in it, or by the schedule. Stages are the phases of the lines in the order they occur; lines without one go by
 * their section. Payments due on signing come before the first stage; one that names a stage is paid with it, the others are
 * spread over the stages in their order. Common practice, no source.
 */
export function cashCurve(document: ProposalDocument, choices: Choices = asSuggested): CashCurve {
  const figures = computeFigures(document, choices);
  const stages = stagesOf(figures);
  const { payments } = computeSchedule(document.schedule, figures.beforeTax, figures.minorDigits);
  const ahead = payments.filter(({ entry }) => entry.due.on === 'acceptance');
  const rest = payments.filter(({ entry }) => entry.due.on !== 'acceptance');
  const stageOf = (i: number): number => {
    const { due } = rest[i]!.entry;
    const named =
      due.on === 'stage'
        ? stages.findIndex(({ name }) => name.toLowerCase() === due.stage.toLowerCase())
        : -1;
    return named >= 0 ? named : Math.ceil(((i + 1) * stages.length) / rest.length) - 1;
  };
  const sum = (amounts: readonly bigint[]) => amounts.reduce((all, each) => all + each, 0n);
  // Discounts on sections and the whole, and fees, are no line's: they come with the last stage.
  const nets = stages.map(({ net }) => net);
  if (nets.length > 0) nets[nets.length - 1]! += figures.beforeTax - sum(nets);

  const deposit = sum(ahead.map(({ amount }) => amount));
  let spent = 0n;
  let work = 0n;
  let scheduled = deposit;
  let lowWork = 0n;
  let lowSchedule = 0n;
  const points = stages.map(({ name, cost }, at): CashPoint => {
    spent += cost;
    if (work - spent < lowWork) lowWork = work - spent;
    if (scheduled - spent < lowSchedule) lowSchedule = scheduled - spent;
    work += nets[at]!;
    scheduled += sum(rest.filter((_, i) => stageOf(i) === at).map(({ amount }) => amount));
    return {
      name,
      spent: spent as Amount,
      byWork: work as Amount,
      bySchedule: scheduled as Amount,
    };
  });
  return {
    points: [{ name: 'Signing', spent: ZERO, byWork: ZERO, bySchedule: deposit as Amount }, ...points],
    lowest: { byWork: lowWork as Amount, bySchedule: lowSchedule as Amount },
  };
}
