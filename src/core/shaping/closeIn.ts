import type { Choices, ProposalDocument } from '@/model';
import type { Amount, Fixed } from '../number';
import { powerOfTen } from '../number';
import type { Figures } from '../price';
import { computeFigures } from '../price';
import type { Goal } from './goal';
import { withPrices } from './prices';
import type { FreeLine } from './free';
import { measureOf, stepOf } from './free';

/** So many combinations of moves are computed in full, at most. */
const MOST_TRIES = 600;

/** A price is moved by so many steps, at most, to make room for another. */
const FAR = 80;

interface Move {
  readonly line: FreeLine;
  readonly steps: number;
}

interface State {
  readonly prices: ReadonlyMap<string, Fixed>;
  readonly figures: Figures;
  readonly missing: Amount;
}

export interface Closed extends State {
  readonly proved: boolean;
}

const size = (value: bigint): bigint => (value < 0n ? -value : value);
/** How much of its price a move is: small moves come first. */
const weightOf = ({ line, steps }: Move, prices: ReadonlyMap<string, Fixed>): number =>
  (Math.abs(steps) * Number(stepOf(line))) / Math.max(1, Number(prices.get(line.id)!));

/**
 * Moves as few unit prices as little as it takes to meet the goal: one line where one can do it, else two, the move that
 * is least of its price first. Where none meets it, the nearest.
 */
export function closeIn(
  document: ProposalDocument,
  choices: Choices,
  carry: readonly FreeLine[],
  start: ReadonlyMap<string, Fixed>,
  goal: Goal,
): Closed {
  let tries = MOST_TRIES;
  const stateOf = (prices: ReadonlyMap<string, Fixed>): State => {
    const figures = computeFigures(withPrices(document, prices), choices);
    return { prices, figures, missing: (goal.amount - measureOf(figures, goal)) as Amount };
  };
  const moved = (moves: readonly Move[]): State | null => {
    const prices = new Map(start);
    for (const { line, steps } of moves) {
      const next = prices.get(line.id)! + BigInt(steps) * stepOf(line);
      if (next < 0n) return null;
      prices.set(line.id, next as Fixed);
    }
    tries -= 1;
    return stateOf(prices);
  };

  const first = stateOf(start);
  if (first.missing === 0n) return { ...first, proved: true };
  const effects = effectsOf(carry, first, stateOf);
  let best = first;
  const take = (found: State | null): boolean => {
    if (found && size(found.missing) < size(best.missing)) best = found;
    return best.missing === 0n;
  };
  for (const moves of likely(carry, effects, Number(first.missing), first.prices)) {
    if (tries <= 0) break;
    if (take(moved(moves))) return { ...best, proved: true };
  }
  return walked(best, carry, stateOf);
}

/** What one step of each price does to the measure, in minor units: by the line's quantity, scaled by one that was tried. */
function effectsOf(
  carry: readonly FreeLine[],
  first: State,
  stateOf: (prices: ReadonlyMap<string, Fixed>) => State,
): Map<string, number> {
  const digits = first.figures.minorDigits;
  const plain = (line: FreeLine) =>
    (Number(line.figures.quantity) / 1e6) * (Number(stepOf(line)) / 1e6) * 10 ** digits;
  const scale = new Map<string, number>();
  return new Map(
    carry.map((line) => {
      // Lines of one section and class are taxed and discounted alike: one of them is enough to know by how much.
      const key = `${line.section} ${line.figures.line.taxClass} ${line.figures.bundle?.id ?? ''} ${JSON.stringify(line.figures.line.discount ?? null)}`;
      let known = scale.get(key);
      if (known === undefined) {
        const far = Math.max(1, Math.ceil(10_000 / plain(line)));
        const prices = new Map(first.prices);
        prices.set(line.id, (prices.get(line.id)! + BigInt(far) * stepOf(line)) as Fixed);
        known = Number(first.missing - stateOf(prices).missing) / (far * plain(line)) || 1;
        scale.set(key, known);
      }
      return [line.id, plain(line) * known] as const;
    }),
  );
}

/** Moves that could just meet what is missing: of one line, then of two, each kind with the smallest move first. */
function* likely(
  carry: readonly FreeLine[],
  effects: ReadonlyMap<string, number>,
  missing: number,
  prices: ReadonlyMap<string, Fixed>,
): Generator<readonly Move[]> {
  const near = (wanted: number, line: FreeLine, within: number): Move[] => {
    const effect = effects.get(line.id)!;
    if (!(effect > 0)) return [];
    const about = Math.round(wanted / effect);
    return [about, about - 1, about + 1]
      .filter((steps) => Math.abs(steps * effect - wanted) <= within)
      .map((steps) => ({ line, steps }));
  };
  const ordered = (all: readonly (readonly Move[])[]) =>
    all
      .map((moves) => ({
        moves,
        weight: moves.reduce((sum, move) => sum + weightOf(move, prices), 0),
      }))
      .sort((a, b) => a.weight - b.weight)
      .map(({ moves }) => moves);

  yield* ordered(carry.flatMap((line) => near(missing, line, 1.5).map((move) => [move])));
  // A coarse line and a fine one; the fine ones can take up what the coarse leave.
  const byEffect = [...carry].sort((a, b) => effects.get(a.id)! - effects.get(b.id)!);
  const pairs: (readonly Move[])[] = [];
  for (const fine of byEffect.slice(0, 12))
    for (const coarse of carry.slice(0, 300)) {
      if (coarse === fine) continue;
      for (let steps = -FAR; steps <= FAR; steps += 1) {
        if (steps === 0) continue;
        const left = missing - steps * effects.get(coarse.id)!;
        for (const move of near(left, fine, 0.8))
          if (move.steps !== 0) pairs.push([{ line: coarse, steps }, move]);
      }
    }
  yield* ordered(pairs).slice(0, MOST_TRIES);
}

/** So many steps of a fine price are walked to see the goal being jumped over. */
const WALK = 60;

/**
 * Walks a line whose smallest step moves the net by one minor unit or less towards the goal. With such a line every net
 * can be had; where the goal is missed all the same, the rounding of discounts, tax and fees jumps over it between two
 * steps. Answers the nearest on the way, and whether the jump was seen.
 */
function walked(
  best: State,
  carry: readonly FreeLine[],
  stateOf: (prices: ReadonlyMap<string, Fixed>) => State,
): Closed {
  const unit = powerOfTen(12 - best.figures.minorDigits);
  const up = best.missing > 0n;
  const beyond = ({ missing }: State) => (up ? missing < 0n : missing > 0n);
  for (const line of carry) {
    const effect = line.figures.quantity * stepOf(line);
    if (effect > unit || line.figures.line.discount || line.figures.bundle?.discount) continue;
    const by = ((unit + effect - 1n) / effect) * stepOf(line);
    let nearest = best;
    let price: bigint = best.prices.get(line.id)!;
    for (let step = 0; step < WALK; step += 1) {
      price += up ? by : -by;
      if (price < 0n) break;
      const next = stateOf(new Map(best.prices).set(line.id, price as Fixed));
      if (size(next.missing) < size(nearest.missing)) nearest = next;
      if (next.missing === 0n || beyond(next)) return { ...nearest, proved: true };
    }
  }
  return { ...best, proved: false };
}
