import type { CreditAsk } from '@/model';
import type { Amount } from '../number';
import { ZERO, divideRounded, negateAmount, parseAmount, showAmount } from '../number';
import type { BillableLine, Draw } from './draws';
import { BillingError, drawAmount, grossOf } from './draws';
import type { Issued, Ledger, Position } from './ledger';
import { positionOf, retainageTarget } from './ledger';
import type { TaxedLine } from './taxShares';
import { taxToDate } from './taxShares';
import type { InvoiceDraft } from './makeInvoice';
import type { Portion } from './paper';
import { negativePortions, paperSums, something, sumPortions } from './paper';
import { splitOver } from './portions';

/** What credit notes have not taken back of an invoice: its work by line, what it held and what it counted off. */
export interface Creditable {
  readonly invoice: Issued;
  readonly lines: readonly TaxedLine[];
  readonly work: Amount;
  readonly retainage: readonly Portion[];
  readonly advance: readonly Portion[];
  readonly total: Amount;
}

/**
 * What is left of an invoice to be taken back.
 * @throws BillingError in words, for what cannot be billed
 */
export function creditable({ lines, papers, components }: Ledger, invoiceId: string): Creditable {
  const invoice = papers.find(({ id }) => id === invoiceId);
  if (!invoice) throw new BillingError('There is no such invoice.');
  const own = papers.filter(({ id, credits }) => id === invoiceId || credits === invoiceId);
  const sums = new Map<string, { net: bigint; taxes: bigint[] }>();
  for (const { lineId, net, taxes } of own.flatMap(({ draws }) => draws)) {
    const sum = sums.get(lineId) ?? { net: 0n, taxes: taxes.map(() => 0n) };
    sum.net += net;
    taxes.forEach((tax, t) => (sum.taxes[t]! += tax));
    sums.set(lineId, sum);
  }
  const left = lines.flatMap(({ id, taxClass }): TaxedLine[] => {
    const sum = sums.get(id);
    return sum ? [{ id, taxClass, net: sum.net as Amount, taxes: sum.taxes as Amount[] }] : [];
  });
  return {
    invoice,
    lines: left,
    work: grossOf(left),
    retainage: something(sumPortions(own.flatMap(({ retainage }) => retainage))),
    advance: something(sumPortions(own.flatMap(({ advance }) => advance))),
    total: own.reduce((sum, paper) => sum + paperSums(paper, components).total, 0n) as Amount,
  };
}

const back = (rows: readonly BillableLine[]): Draw[] =>
  rows
    .filter(({ net, taxes }) => net !== 0n || taxes.some((tax) => tax !== 0n))
    .map(({ id, net, taxes }) => ({
      lineId: id,
      net: negateAmount(net),
      taxes: taxes.map((tax) => negateAmount(tax)),
    }));

/** The same part of portions as `part` is of `whole`. */
function fraction(portions: readonly Portion[], part: bigint, whole: bigint): Portion[] {
  if (part === whole) return [...portions];
  const of = (value: bigint) => divideRounded(value * part, whole) as Amount;
  return something(
    portions.map(({ taxClass, net, taxes }) => ({ taxClass, net: of(net), taxes: taxes.map(of) })),
  );
}

/**
 * Makes a credit note: it takes back all that is left of an invoice, or work of it by amount or by line, with the
 * retainage that was held of that work and the part of the deposit that was counted off it. What it draws back can be
 * billed again.
 *
 * @throws BillingError in words, for more than the invoice billed, or what was used since
 */
export function makeCredit(ledger: Ledger, invoiceId: string, ask: CreditAsk): InvoiceDraft {
  const left = creditable(ledger, invoiceId);
  const { invoice } = left;
  if (invoice.kind === 'credit note') throw new BillingError('A credit note cannot be credited.');
  const position = positionOf(ledger);
  const title = 'Credit note';
  const made = {
    kind: 'credit note' as const,
    title,
    entryId: invoice.entryId,
    countsTowardRetainage: invoice.countsTowardRetainage,
  };
  if (invoice.kind === 'advance') return { ...made, ...ofAdvance(ledger, position, left, ask) };
  if (invoice.kind === 'release') return { ...made, ...ofRelease(ledger, position, left, ask) };

  const draws = workBack(left, ask, ledger.minorDigits);
  if (draws.length === 0 && !('whole' in ask && left.advance.length > 0))
    throw new BillingError('All of this invoice is credited already.');
  const taken = -grossOf(draws);
  if (taken < 0n || taken > left.work)
    throw new BillingError(
      'These lines by themselves come to more than the invoice, or to less than nothing. Credit more of it, or all.',
    );
  const whole =
    'whole' in ask ||
    left.lines.every(({ id, net }) => draws.some((draw) => draw.lineId === id && draw.net === -net));
  const part = <T extends readonly Portion[]>(portions: T) =>
    whole ? [...portions] : left.work === 0n ? [] : fraction(portions, taken, left.work);

  // What was held comes back only as far as it was not released since.
  const heldBack = negativePortions(part(left.retainage));
  const most = grossOf(heldBack);
  return {
    ...made,
    draws,
    retainage:
      most <= position.heldGross
        ? heldBack
        : position.heldGross > 0n
          ? splitOver(position.heldGross, position.held)
          : [],
    advance: negativePortions(part(left.advance)),
  };
}

function workBack({ lines, work }: Creditable, ask: CreditAsk, minorDigits: number): Draw[] {
  if ('whole' in ask) return back(lines);
  if ('amount' in ask) {
    const amount = parseAmount(ask.amount, minorDigits);
    if (amount > work) throw new BillingError(`Only ${showAmount(work, minorDigits)} of work is left of it.`);
    const none = lines.map(({ id, taxes }) => ({ id, net: ZERO, taxes: taxes.map(() => ZERO) }));
    return back(
      drawAmount(lines, none, amount).map(({ lineId, net, taxes }) => ({ id: lineId, net, taxes })),
    );
  }
  const taken = new Map(
    ask.lines.map(({ line, amount }) => {
      const found = lines.find(({ id }) => id === line);
      if (!found) throw new BillingError('The invoice bills nothing of this line.');
      const net = parseAmount(amount, minorDigits);
      if (found.net < 0n ? net > 0n || net < found.net : net < 0n || net > found.net)
        throw new BillingError(`Only ${showAmount(found.net, minorDigits)} of this line is left of it.`);
      return [line, { line: found, net }] as const;
    }),
  );
  const parts = [...taken.values()];
  const none = lines.map(({ id, taxes }) => ({ id, net: ZERO, taxes: taxes.map(() => ZERO) }));
  const taxes = (lines[0]?.taxes ?? []).map((_, t) => taxToDate(lines, none, parts, t));
  return back(
    parts.map(({ line: { id }, net }) => ({ id, net, taxes: taxes.map((column) => column.get(id)!) })),
  );
}

/** How much of an invoice without work is taken back. */
function sumBack({ total }: Creditable, ask: CreditAsk, minorDigits: number): Amount {
  if ('lines' in ask) throw new BillingError('This invoice bills no lines. Credit an amount of it.');
  const amount = 'whole' in ask ? total : parseAmount(ask.amount, minorDigits);
  if (total <= 0n) throw new BillingError('All of this invoice is credited already.');
  if (amount <= 0n) throw new BillingError('Say how much is credited.');
  if (amount > total) throw new BillingError(`Only ${showAmount(total, minorDigits)} of it is left.`);
  return amount;
}

function ofAdvance(
  { minorDigits }: Ledger,
  { ahead, aheadGross }: Position,
  left: Creditable,
  ask: CreditAsk,
) {
  const amount = sumBack(left, ask, minorDigits);
  if (amount > aheadGross)
    throw new BillingError(
      `Only ${showAmount(aheadGross, minorDigits)} of it is not applied yet. Credit the invoices it was applied to first.`,
    );
  return { draws: [], retainage: [], advance: negativePortions(splitOver(amount, ahead)) };
}

function ofRelease(
  { minorDigits, terms }: Ledger,
  { heldGross, released, holding, sumToDate }: Position,
  left: Creditable,
  ask: CreditAsk,
) {
  const amount = sumBack(left, ask, minorDigits);
  if (heldGross > retainageTarget(terms, holding, sumToDate) - released)
    throw new BillingError('Work was credited since: what was released cannot be held again.');
  return { draws: [], retainage: negativePortions(splitOver(amount, left.retainage)), advance: [] };
}
