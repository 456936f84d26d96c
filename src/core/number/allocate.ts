import type { Amount } from './fixed';
import { divideRounded } from './fixed';

/**
 * Splits an amount to the minor unit so that the parts sum to it exactly: each share is floored, the remaining units go
 * to the largest remainders, the earlier part first on a tie. A negative amount mirrors the positive one.
 * All-zero weights share equally.
 *
 * @param whole the amount to split
 * @param weights one per part, none negative
 * @returns parts in the order of the weights; empty only for no weights
 * @throws RangeError for a negative weight, or for no weights and something to split
 * @example allocate(12625n, [125000n, 33333n, 9999n]) // 9375n, 2500n, 750n
 */
export function allocate(whole: Amount, weights: readonly bigint[]): Amount[] {
  if (weights.length === 0) {
    if (whole !== 0n) throw new RangeError('Nothing to allocate to');
    return [];
  }
  if (whole < 0n) return allocate(-whole as Amount, weights).map((part) => -part as Amount);
  if (weights.some((weight) => weight < 0n)) throw new RangeError('A weight is negative');
  const sum = weights.reduce((total, weight) => total + weight, 0n);
  const used = sum === 0n ? weights.map(() => 1n) : weights;
  const divisor = sum === 0n ? BigInt(weights.length) : sum;
  const parts = used.map((weight) => (whole * weight) / divisor);
  const left = Number(whole - parts.reduce((total, part) => total + part, 0n));
  if (left > 0) {
    const remainders = used.map((weight) => (whole * weight) % divisor);
    for (const index of largest(remainders, left)) parts[index]! += 1n;
  }
  return parts as Amount[];
}

/** The places of the largest of some numbers, the earlier first on a tie. */
function largest(numbers: readonly bigint[], count: number): number[] {
  return numbers
    .map((_, index) => index)
    .sort((a, b) => {
      const [left, right] = [numbers[a]!, numbers[b]!];
      return left === right ? a - b : left > right ? -1 : 1;
    })
    .slice(0, count);
}

/**
 * Like {@link allocate} for weights of either sign, as when an agreement holds a credit line: parts of negative weight
 * take their rounded proportion, the others share what is left. While the whole lies between zero and the sum of the
 * weights, no part passes its weight.
 *
 * @param whole shared out exactly, nothing over
 * @param weights of either sign
 * @throws RangeError when the weights sum to zero and there is something to split
 */
export function allocateSigned(whole: Amount, weights: readonly bigint[]): Amount[] {
  if (weights.every((weight) => weight >= 0n)) return allocate(whole, weights);
  if (weights.every((weight) => weight <= 0n))
    return allocate(
      -whole as Amount,
      weights.map((weight) => -weight),
    ).map((part) => -part as Amount);
  const sum = weights.reduce((total, weight) => total + weight, 0n);
  if (sum === 0n) {
    if (whole !== 0n) throw new RangeError('The weights cancel out');
    return weights.map(() => 0n as Amount);
  }
  if (sum < 0n) {
    const mirrored = allocateSigned(
      -whole as Amount,
      weights.map((weight) => -weight),
    );
    return mirrored.map((part) => -part as Amount);
  }
  const negative = weights.map((weight) => (weight < 0n ? divideRounded(whole * weight, sum) : 0n));
  const taken = negative.reduce((total, part) => total + part, 0n);
  const positive = allocate(
    (whole - taken) as Amount,
    weights.map((weight) => (weight > 0n ? weight : 0n)),
  );
  return weights.map((weight, index) => (weight < 0n ? negative[index] : positive[index]) as Amount);
}
