import type { Amount, Fixed } from '../number';
import { ONE, ZERO, allocateSigned, divideRounded, subtractAmounts, sumAmounts } from '../number';
import type { BillableLine } from './billableLine';
import type { TaxedLine } from './taxShares';
import { taxToDate } from './taxShares';

export type { BillableLine } from './billableLine';

/** The part of one agreement line that one invoice bills (or, negative, that a credit note takes back). */
export interface Draw {
  readonly lineId: string;
  readonly net: Amount;
  readonly taxes: readonly Amount[];
}

/** An invoice cannot be made as asked; the message is a sentence for the person who asked. */
export class BillingError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'BillingError';
  }
}

/** What is asked for comes to nothing. */
export class NothingToBill extends BillingError {}

/**
 * What is billed of each line: the sum of its draws.
 * @throws BillingError in words, for what cannot be billed
 */
export function drawnToDate(lines: readonly BillableLine[], draws: Iterable<Draw>): BillableLine[] {
  const sums = new Map(lines.map((line) => [line.id, { net: 0n, taxes: line.taxes.map(() => 0n) }]));
  for (const draw of draws) {
    const sum = sums.get(draw.lineId);
    if (!sum) throw new BillingError('An invoice draws on a line that is not in the agreement.');
    sum.net += draw.net;
    draw.taxes.forEach((tax, i) => (sum.taxes[i] = (sum.taxes[i] ?? 0n) + tax));
  }
  return lines.map((line) => {
    const sum = sums.get(line.id)!;
    return { id: line.id, net: sum.net as Amount, taxes: sum.taxes as Amount[] };
  });
}

/** What is left of each line. */
export function leftOf(lines: readonly BillableLine[], before: readonly BillableLine[]): BillableLine[] {
  return lines.map((line, i) => ({
    id: line.id,
    net: subtractAmounts(line.net, before[i]!.net),
    taxes: line.taxes.map((tax, t) => subtractAmounts(tax, before[i]!.taxes[t]!)),
  }));
}

/** Net plus taxes of draws or lines. */
export function grossOf(rows: Iterable<{ readonly net: Amount; readonly taxes: readonly Amount[] }>): Amount {
  let sum = 0n;
  for (const { net, taxes } of rows) sum += net + sumAmounts(taxes);
  return sum as Amount;
}

const isEmpty = (draw: Draw) => draw.net === 0n && draw.taxes.every((tax) => tax === 0n);

function asDraws(rows: readonly BillableLine[]): Draw[] {
  return rows.map(({ id, net, taxes }) => ({ lineId: id, net, taxes })).filter((draw) => !isEmpty(draw));
}

/**
 * Bills all that is left.
 * @throws BillingError when nothing is left
 */
export function drawRest(lines: readonly BillableLine[], before: readonly BillableLine[]): Draw[] {
  const draws = asDraws(leftOf(lines, before));
  if (draws.length === 0) throw new BillingError('Everything agreed is billed already.');
  return draws;
}

/**
 * Bills a gross amount, as a schedule entry does: split into net and each tax component in the proportion of what is
 * left of them, then each to the lines by what they have left. Nothing passes 100 % of a line, and the amount that
 * takes the last cent takes exactly what is left everywhere.
 *
 * @param gross tax included, in minor units, above zero
 * @throws BillingError when the amount is not above zero or more than what is left
 * @throws NothingToBill where it comes to nothing
 */
export function drawAmount(
  lines: readonly BillableLine[],
  before: readonly BillableLine[],
  gross: Amount,
): Draw[] {
  const left = leftOf(lines, before);
  const leftGross = grossOf(left);
  if (gross <= 0n) throw new NothingToBill('There is nothing to bill for this payment.');
  if (leftGross <= 0n) throw new BillingError('Everything agreed is billed already.');
  if (gross > leftGross)
    throw new BillingError('This is more than what is left to bill. Bill the remaining balance instead.');

  const columns = lines[0]?.taxes.length ?? 0;
  const leftNet = left.map((line) => line.net);
  const leftTaxes = Array.from({ length: columns }, (_, t) => left.map((line) => line.taxes[t]!));
  const split = allocateSigned(gross, [
    sumAmounts(leftNet),
    ...leftTaxes.map((column) => sumAmounts(column)),
  ]);
  const nets = allocateSigned(split[0]!, leftNet);
  const taxes = leftTaxes.map((column, t) => allocateSigned(split[t + 1]!, column));
  return asDraws(
    lines.map((line, i) => ({ id: line.id, net: nets[i]!, taxes: taxes.map((column) => column[i]!) })),
  );
}

/** How far one line is billed after an invoice, of its agreed net: exact, between 0 and 1. */
export interface Reach {
  readonly top: bigint;
  readonly bottom: bigint;
}

/**
 * Bills lines up to a part of each: net to date = round(agreed net × part), tax to date as {@link taxToDate} has it, this
 * invoice = to date − before. Lines that are not named stay as they are. A tax that an earlier path billed a cent ahead
 * waits for the rest.
 *
 * @param reaches the part of a line that is billed after this, by line id
 * @throws BillingError for a part above 100 % or below what is billed, an unknown line, or nothing to bill
 * @throws NothingToBill where it comes to nothing
 */
export function drawTo(
  lines: readonly TaxedLine[],
  before: readonly BillableLine[],
  reaches: ReadonlyMap<string, Reach>,
): Draw[] {
  const known = new Set(lines.map(({ id }) => id));
  for (const id of reaches.keys())
    if (!known.has(id)) throw new BillingError('This line is not in the agreement.');
  const parts = lines.flatMap((line, i) => {
    const reach = reaches.get(line.id);
    if (reach === undefined) return [];
    if (reach.top < 0n || reach.top > reach.bottom)
      throw new BillingError('A line can be billed from 0 to 100 %.');
    const net = divideRounded(line.net * reach.top, reach.bottom) as Amount;
    const billed = before[i]!;
    if (line.net >= 0n ? net < billed.net : net > billed.net)
      throw new BillingError('More than that is billed already.');
    return [{ line, billed, net }];
  });
  const columns = lines[0]?.taxes.length ?? 0;
  const taxes = Array.from({ length: columns }, (_, t) => taxToDate(lines, before, parts, t));
  const used = parts
    .map(({ line, billed, net }): Draw => ({
      lineId: line.id,
      net: subtractAmounts(net, billed.net),
      taxes: taxes.map((column, t) => (column.get(line.id)! - billed.taxes[t]!) as Amount),
    }))
    .filter((draw) => !isEmpty(draw));
  if (used.length === 0) throw new NothingToBill('There is nothing to bill with these figures.');
  return used;
}

/**
 * {@link drawTo} with shares as fractions of one.
 * @param shares fraction of one by line id, 0 to 1
 */
export const drawShares = (
  lines: readonly BillableLine[],
  before: readonly BillableLine[],
  shares: ReadonlyMap<string, Fixed>,
): Draw[] =>
  drawTo(lines, before, new Map([...shares].map(([id, share]) => [id, { top: share, bottom: ONE }])));

/**
 * Sums of an invoice: net, each component, and what is to pay.
 * @param components how many components of tax the agreement has
 */
export function drawSums(draws: readonly Draw[], components: number) {
  const net = sumAmounts(draws.map((draw) => draw.net));
  const taxes = Array.from({ length: components }, (_, t) =>
    sumAmounts(draws.map((draw) => draw.taxes[t] ?? ZERO)),
  );
  return { net, taxes, total: (net + sumAmounts(taxes)) as Amount };
}
