/** An exact ratio of integers; the bottom is positive. */
export interface Ratio {
  readonly top: bigint;
  readonly bottom: bigint;
}

const SAFE = BigInt(Number.MAX_SAFE_INTEGER);

/**
 * Greatest common divisor, never negative.
 * @param a any integer
 * @param b any integer
 */
export function gcd(a: bigint, b: bigint): bigint {
  if (a < 0n) a = -a;
  if (b < 0n) b = -b;
  // Sizes of things fit into a double's integers, where this is many times faster; the answer is the same.
  while (b > SAFE || (a > SAFE && b !== 0n)) [a, b] = [b, a % b];
  if (b === 0n) return a;
  let x = Number(a);
  let y = Number(b);
  while (y !== 0) [x, y] = [y, x % y];
  return BigInt(x);
}

/**
 * The ratio in lowest terms, with a positive bottom.
 * @param bottom any integer but zero
 * @param top any integer
 */
export function reduced(top: bigint, bottom: bigint): Ratio {
  const common = gcd(top, bottom) || 1n;
  return bottom < 0n
    ? { top: -top / common, bottom: -bottom / common }
    : { top: top / common, bottom: bottom / common };
}

/**
 * a + b, in lowest terms.
 * @param a exact
 * @param b exact
 */
export const plus = (a: Ratio, b: Ratio): Ratio =>
  a.bottom === b.bottom
    ? reduced(a.top + b.top, a.bottom)
    : reduced(a.top * b.bottom + b.top * a.bottom, a.bottom * b.bottom);

/**
 * a × b, in lowest terms.
 * @param a exact
 * @param b exact
 */
export const times = (a: Ratio, b: Ratio): Ratio => reduced(a.top * b.top, a.bottom * b.bottom);

/** The ratio with its sign turned round. */
export const negative = ({ top, bottom }: Ratio): Ratio => ({ top: -top, bottom });

/**
 * Below zero, zero or above zero as the first is less than, equal to or more than the second.
 * @param a exact
 * @param b exact
 */
export const compared = (a: Ratio, b: Ratio): bigint => a.top * b.bottom - b.top * a.bottom;

/** The largest integer that is not above the ratio. */
export function wholeBelow({ top, bottom }: Ratio): bigint {
  const cut = top / bottom;
  return top % bottom < 0n ? cut - 1n : cut;
}

/**
 * An integer as a ratio.
 * @param value any integer
 */
export const integer = (value: bigint): Ratio => ({ top: value, bottom: 1n });
