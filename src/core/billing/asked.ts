import type { LineAsk } from '@/model';
import type { Amount } from '../number';
import { parseAmount, parseFixed, parsePercent } from '../number';
import type { BillableLine, Draw, Reach } from './draws';
import { BillingError, drawTo } from './draws';
import type { LedgerLine } from './ledger';

const HUNDRED = { top: 1n, bottom: 1n };

/** The part of a line that is billed when so much net is, exactly. */
function reachOfNet(line: BillableLine, net: bigint): Reach {
  if (line.net === 0n) return HUNDRED;
  return line.net < 0n ? { top: -net, bottom: -line.net } : { top: net, bottom: line.net };
}

function reachOf(line: LedgerLine, before: BillableLine, ask: LineAsk, minorDigits: number): Reach {
  if ('percent' in ask.to) return { top: parsePercent(ask.to.percent), bottom: 1_000_000n };
  if ('amount' in ask.to) return reachOfNet(line, before.net + parseAmount(ask.to.amount, minorDigits));
  const wanted = parseFixed(ask.to.quantity);
  if (line.quantity === 0n) throw new BillingError('This line has no quantity. Bill it by percent.');
  return line.quantity < 0n
    ? { top: -wanted, bottom: -line.quantity }
    : { top: wanted, bottom: line.quantity };
}

/** The lines an ask names; a section or a stage names all of its own. */
function named(lines: readonly LedgerLine[], ask: LineAsk): LedgerLine[] {
  if ('line' in ask) {
    const found = lines.filter(({ id }) => id === ask.line);
    if (found.length === 0) throw new BillingError('This line is not in the agreement.');
    return found;
  }
  const [what, name] =
    'section' in ask ? (['section', ask.section] as const) : (['stage', ask.stage] as const);
  const found = lines.filter((line) => (what === 'section' ? line.sectionTitle : line.stage) === name);
  if (found.length === 0) throw new BillingError(`The agreement has no ${what} “${name}”.`);
  return found;
}

/**
 * Draws for lines, sections and stages as they were asked for: to a percent or a quantity to date, or by a net amount
 * this time. A line that is asked for twice is billed as asked last. A section or a stage leaves lines that are billed
 * further as they are.
 *
 * @param minorDigits decimals of the currency
 * @throws BillingError in words, for what is not there, past 100 % or below what is billed
 */
export function drawAsked(
  lines: readonly LedgerLine[],
  before: readonly BillableLine[],
  asks: readonly LineAsk[],
  minorDigits: number,
): Draw[] {
  const place = new Map(lines.map(({ id }, i) => [id, i]));
  const reaches = new Map<string, Reach>();
  for (const ask of asks)
    for (const line of named(lines, ask)) {
      const billed = before[place.get(line.id)!]!;
      const reach = reachOf(line, billed, ask, minorDigits);
      const further = !('line' in ask) && isFurther(billed, line, reach);
      if (!further) reaches.set(line.id, reach);
    }
  try {
    return drawTo(lines, before, reaches);
  } catch (error) {
    throw error instanceof BillingError
      ? new BillingError(whichLine(lines, before, reaches, error.message))
      : error;
  }
}

const isFurther = (billed: BillableLine, line: BillableLine, { top, bottom }: Reach): boolean => {
  const now = reachOfNet(line, billed.net);
  return line.net !== 0n && now.top * bottom > top * now.bottom;
};

/** Says which line a refusal is about. */
function whichLine(
  lines: readonly LedgerLine[],
  before: readonly BillableLine[],
  reaches: ReadonlyMap<string, Reach>,
  message: string,
): string {
  const wrong = lines.find((line, i) => {
    const reach = reaches.get(line.id);
    return reach && (reach.top < 0n || reach.top > reach.bottom || isFurther(before[i]!, line, reach));
  });
  return wrong ? `“${wrong.description}”: ${message}` : message;
}

/** How far a line is billed, in percent of its net; null where it has none. */
export const percentBilled = (line: BillableLine, billed: { readonly net: Amount }): Reach | null =>
  line.net === 0n ? null : reachOfNet(line, billed.net);
