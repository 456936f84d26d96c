import type { Amount } from '../number';
import { ZERO, divideRounded } from '../number';
import type { BillableLine } from './billableLine';

/** A line with the class its tax is of, where that is known. */
export type TaxedLine = BillableLine & { readonly taxClass?: string };

/** How much net of a line is billed when a paper is issued, of its agreed net. */
interface Part {
  readonly line: TaxedLine;
  readonly net: Amount;
}

const floorDivided = (top: bigint, bottom: bigint): bigint => {
  const quotient = top / bottom;
  return top % bottom !== 0n && top < 0n !== bottom < 0n ? quotient - 1n : quotient;
};

/** Lines that bear a tax component: those of its classes, or, where classes are not known, those it comes to something on. */
function bearing(lines: readonly TaxedLine[], component: number): TaxedLine[] {
  const taxed = lines.filter(({ taxes }) => (taxes[component] ?? 0n) !== 0n);
  const classes = new Set(taxed.map(({ taxClass }) => taxClass));
  return lines.filter((line) =>
    line.taxClass === undefined ? (line.taxes[component] ?? 0n) !== 0n : classes.has(line.taxClass),
  );
}

/**
 * What a component of tax comes to, to date, on lines of which a part of the net is billed. Each line gets its exact share
 * rounded down or up, whichever brings the sum nearest to the component's own share: round(tax × net to date ÷ net) over
 * all lines that bear it, less what the other lines have. So the tax of a paper is that of its net to the cent, where the
 * agreement's is, as far as lines that are billed in full (they take all their tax, as agreed) leave room.
 *
 * @param lines all lines, with their agreed net and taxes
 * @param billed net and taxes of each line so far, in the same order
 * @param parts net to date of the lines that are asked for
 * @param component its place in the order of the agreement's components
 * @returns tax to date by line id, of the lines asked for; never less than is billed, never more than is agreed
 */
export function taxToDate(
  lines: readonly TaxedLine[],
  billed: readonly BillableLine[],
  parts: readonly Part[],
  component: number,
): Map<string, Amount> {
  const asked = new Map(parts.map(({ line, net }) => [line.id, net]));
  const before = new Map(billed.map((each) => [each.id, each]));
  const bears = bearing(lines, component);
  let [tax, net, after, others] = [0n, 0n, 0n, 0n];
  for (const line of bears) {
    tax += line.taxes[component]!;
    net += line.net;
    after += asked.get(line.id) ?? before.get(line.id)!.net;
    if (!asked.has(line.id)) others += before.get(line.id)!.taxes[component]!;
  }

  const rows = parts.map(({ line, net: part }) => {
    const agreed = line.taxes[component] ?? ZERO;
    const had = before.get(line.id)!.taxes[component] ?? ZERO;
    const top = line.net < 0n ? -agreed * part : agreed * part;
    const bottom = line.net < 0n ? -line.net : line.net;
    const low = bottom === 0n ? agreed : floorDivided(top, bottom);
    const rest = bottom === 0n ? 0n : top - low * bottom;
    // A tax that was billed a cent ahead waits.
    const ahead = agreed >= 0n ? had > low : had < low + (rest > 0n ? 1n : 0n);
    return ahead
      ? { id: line.id, low: had as bigint, rest: 0n, bottom: 1n }
      : { id: line.id, low, rest, bottom };
  });
  const floors = rows.reduce((sum, { low }) => sum + low, 0n);
  const open = rows.filter(({ rest }) => rest > 0n);
  const nearest = (top: bigint, bottom: bigint) =>
    bottom < 0n ? divideRounded(-top, -bottom) : divideRounded(top, bottom);
  // Without a base there is no share of it: each line is rounded by itself.
  const up =
    net === 0n
      ? BigInt(open.filter(({ rest, bottom }) => rest * 2n >= bottom).length)
      : nearest(tax * after, net) - others - floors;
  const largest = [...open].sort((a, b) => {
    const [left, right] = [a.rest * b.bottom, b.rest * a.bottom];
    return left === right ? 0 : left > right ? -1 : 1;
  });
  const raised = new Set(largest.slice(0, Math.max(0, Number(up))).map(({ id }) => id));
  return new Map(rows.map(({ id, low }) => [id, (raised.has(id) ? low + 1n : low) as Amount]));
}
