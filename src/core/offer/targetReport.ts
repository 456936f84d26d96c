import type { Choices, ProposalDocument } from '@/model';
import { moneyOf, writeFixed } from '../number';
import type { Ask } from '../shaping';
import { shapePrices } from '../shaping';

/** What shaping to a target gives, as plain JSON: every price that moves, and how near it comes. */
export function targetReport(document: ProposalDocument, ask: Ask, choices: Choices) {
  const { figures, goal, moves, missing, proved } = shapePrices(document, ask, choices);
  const money = moneyOf(figures.minorDigits);
  return {
    goal: { of: goal.of === 'total' ? 'total' : 'subtotalBeforeTax', amount: money.write(goal.amount) },
    missing: money.write(missing),
    nearest: proved,
    total: money.write(figures.total),
    profit: money.write(figures.profit),
    margin: figures.margin === null ? null : writeFixed(figures.margin),
    markup: figures.markup === null ? null : writeFixed(figures.markup),
    prices: moves.map(({ id, description, before, after }) => ({
      id,
      description,
      before: writeFixed(before),
      after: writeFixed(after),
    })),
  };
}
