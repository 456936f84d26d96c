import type { BillingAsk } from '@/model';
import type { Amount } from '../number';
import { ZERO, divideRounded, parseAmount, showAmount } from '../number';
import { drawAsked } from './asked';
import type { Draw } from './draws';
import { BillingError, drawAmount, drawRest, grossOf, NothingToBill } from './draws';
import type { Ledger, Position } from './ledger';
import { billedOfEntry, drawnByClass, positionOf, retainageTarget } from './ledger';
import type { Paper } from './paper';
import { byClass, negativePortions, paperSums } from './paper';
import { splitOver } from './portions';

/** A paper that could be issued, with the name it would carry. */
export interface InvoiceDraft extends Paper {
  readonly title: string;
  readonly entryId: string | null;
}

/** Work on an invoice, and how much of what was paid ahead is counted off it (null: in proportion). */
interface Work {
  readonly draws: readonly Draw[];
  readonly off: Amount | null;
}

const lower = (a: bigint, b: bigint): bigint => (a < b ? a : b);
const notBelowZero = (value: bigint): bigint => (value < 0n ? 0n : value);

/**
 * Makes the invoice that is asked for: by a payment of the schedule, by lines, by an amount, all that is left, or a
 * release of retainage.
 *
 * A payment of the schedule, and an amount, are what the customer pays before anything is held back: where a deposit was
 * paid ahead, as much more work is billed as is counted off. What is a credit to the customer is a credit note.
 *
 * @throws BillingError in words, for what cannot be billed
 */
export function makeInvoice(ledger: Ledger, ask: BillingAsk): InvoiceDraft {
  const position = positionOf(ledger);
  if ('release' in ask) return release(ledger, position, ask.release);
  if ('entryId' in ask) return byEntry(ledger, position, ask.entryId);
  if ('rest' in ask) {
    const draws = leftDraws(ledger, position);
    return withTerms(ledger, position, { draws, off: position.aheadGross }, 'Remaining balance');
  }
  if ('amount' in ask)
    return withTerms(
      ledger,
      position,
      payable(ledger, position, parseAmount(ask.amount, ledger.minorDigits)),
      'Work to date',
    );
  const draws = drawAsked(ledger.lines, position.before, ask.lines, ledger.minorDigits);
  return withTerms(ledger, position, { draws, off: null }, 'Work to date');
}

/** Remaining balance of the work; none, where only money paid ahead is left to be given back. */
function leftDraws({ lines, minorDigits }: Ledger, { before, aheadGross, heldGross }: Position): Draw[] {
  try {
    return drawRest(lines, before);
  } catch (error) {
    if (aheadGross > 0n) return [];
    if (heldGross > 0n)
      throw new BillingError(
        `Everything agreed is billed already. ${showAmount(heldGross, minorDigits)} of it is held: release it.`,
      );
    throw error;
  }
}

/** Work for an amount to pay. */
function payable(ledger: Ledger, position: Position, amount: Amount): Work {
  const { lines } = ledger;
  const { before, workLeft, aheadGross: ahead } = position;
  const room = workLeft - ahead;
  if (amount <= 0n) throw new NothingToBill('There is nothing to bill for this payment.');
  if (workLeft <= 0n) throw new BillingError('Everything agreed is billed already.');
  if (amount > room)
    throw new BillingError('This is more than what is left to bill. Bill the remaining balance instead.');
  if (amount === room) return { draws: drawRest(lines, before), off: ahead };
  const inProportion = lower(divideRounded(amount * workLeft, room), workLeft);
  const off = lower(inProportion - amount, ahead) as Amount;
  return { draws: drawAmount(lines, before, (amount + off) as Amount), off };
}

function byEntry(ledger: Ledger, position: Position, entryId: string): InvoiceDraft {
  const entry = ledger.entries.find(({ id }) => id === entryId);
  if (!entry) throw new BillingError('There is no such payment in the schedule.');
  const amount = (entry.amount - billedOfEntry(ledger, entryId)) as Amount;
  if (amount === 0n) throw new BillingError(`“${entry.name}” is billed already.`);
  const deposit = entry.kind === 'deposit';
  if (amount < 0n) {
    const draws = favour(ledger, position, amount);
    return { ...withTerms(ledger, position, { draws, off: ZERO }, entry.name), entryId };
  }
  if (deposit && ledger.terms.deposit === 'advance') {
    if (amount > position.workLeft - position.aheadGross)
      throw new BillingError('This is more than what is left to bill.');
    return {
      kind: 'advance',
      title: entry.name,
      entryId,
      draws: [],
      retainage: [],
      advance: splitOver(amount, byClass(ledger.lines)),
      countsTowardRetainage: false,
    };
  }
  const made = withTerms(ledger, position, payable(ledger, position, amount), entry.name, !deposit);
  return { ...made, entryId };
}

/** What is a credit to the customer: an amount off the lines that leave something out. */
function favour({ lines }: Ledger, { left }: Position, amount: Amount): Draw[] {
  const off = left.map((line) =>
    grossOf([line]) < 0n ? line : { ...line, net: ZERO, taxes: line.taxes.map(() => ZERO) },
  );
  const most = grossOf(off);
  if (amount < most)
    throw new BillingError('Less than that is left out. Bill the remaining balance instead.');
  const mirrored = off.map(({ id, net, taxes }) => ({
    id,
    net: -net as Amount,
    taxes: taxes.map((tax) => -tax as Amount),
  }));
  const none = lines.map(({ id, taxes }) => ({ id, net: ZERO, taxes: taxes.map(() => ZERO) }));
  return drawAmount(mirrored, none, -amount as Amount).map(({ lineId, net, taxes }) => ({
    lineId,
    net: -net as Amount,
    taxes: taxes.map((tax) => -tax as Amount),
  }));
}

/**
 * Puts retainage and what was paid ahead to work. Held to date = round(rate × work to date) within the limit, less what
 * was released; this invoice = to date − before. Of what was paid ahead comes off what the work is of all work that is
 * left; the last invoice takes all of it.
 */
function withTerms(
  ledger: Ledger,
  position: Position,
  { draws, off }: Work,
  title: string,
  holds = true,
): InvoiceDraft {
  const gross = grossOf(draws);
  const { heldGross, released, holding, sumToDate, workLeft, aheadGross, ahead, held } = position;

  const target = retainageTarget(ledger.terms, (holding + gross) as Amount, sumToDate);
  const more = notBelowZero(target - released) - heldGross;
  const hold = holds ? lower(more, notBelowZero(gross)) : 0n;
  const room = notBelowZero(gross - notBelowZero(hold));
  const share =
    workLeft > 0n && gross > 0n
      ? gross >= workLeft
        ? aheadGross
        : divideRounded(aheadGross * gross, workLeft)
      : 0n;
  const counted = off ?? lower(lower(share, aheadGross), room);

  const worked = drawnByClass(ledger.lines, draws);
  const paper: Paper = {
    kind: 'invoice',
    draws,
    retainage:
      hold > 0n
        ? negativePortions(splitOver(hold as Amount, worked))
        : hold < 0n
          ? splitOver(-hold as Amount, held)
          : [],
    advance: counted > 0n ? negativePortions(splitOver(counted as Amount, ahead)) : [],
    countsTowardRetainage: holds,
  };
  const { total } = paperSums(paper, ledger.components);
  return { ...paper, kind: total < 0n ? 'credit note' : 'invoice', title, entryId: null };
}

function release({ minorDigits }: Ledger, { held, heldGross }: Position, what: string): InvoiceDraft {
  const amount = what === 'all' ? heldGross : parseAmount(what, minorDigits);
  if (heldGross <= 0n) throw new BillingError('No retainage is held.');
  if (amount <= 0n) throw new BillingError('Say how much of the retainage is released.');
  if (amount > heldGross) throw new BillingError(`Only ${showAmount(heldGross, minorDigits)} is held.`);
  return {
    kind: 'release',
    title: 'Release of retainage',
    entryId: null,
    draws: [],
    retainage: splitOver(amount, held),
    advance: [],
    countsTowardRetainage: false,
  };
}

/** Where an agreement would stand with a paper that is not issued. */
export const afterPaper = (ledger: Ledger, made: InvoiceDraft): Position =>
  positionOf({ ...ledger, papers: [...ledger.papers, { ...made, id: 'to be issued', credits: null }] });
