import type { Amount } from '../number';
import { sumAmounts } from '../number';
import { daysBetween } from '../calendar';

/** What became of a proposal that was sent. */
export interface SentProposal {
  readonly seller: string;
  /** The trade that most of its price is in; empty: none. */
  readonly trade: string;
  /** The day it was first sent. */
  readonly sentOn: string;
  readonly outcome: 'signed' | 'declined' | 'lapsed' | 'withdrawn' | 'open';
  /** The day it was signed; null: it was not. */
  readonly signedOn: string | null;
  readonly total: Amount;
}

/** How a group of proposals fared. */
export interface WinRow {
  readonly name: string;
  readonly sent: number;
  readonly signed: number;
  /** Declined, or the day their prices held until went by. */
  readonly lost: number;
  readonly open: number;
  /** Signed among those decided, in percent to one place, half away from zero; null: none is decided. */
  readonly rate: number | null;
  /** Half of those signed took no more days from sent to signed; null: none was signed. */
  readonly medianDays: number | null;
  readonly offered: Amount;
  readonly won: Amount;
}

/** The middle of some numbers; between two, half way. */
function median(values: readonly number[]): number | null {
  if (values.length === 0) return null;
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

function rowOf(name: string, proposals: readonly SentProposal[]): WinRow {
  const of = (...outcomes: SentProposal['outcome'][]) =>
    proposals.filter(({ outcome }) => outcomes.includes(outcome));
  const signed = of('signed');
  const lost = of('declined', 'lapsed').length;
  const decided = signed.length + lost;
  return {
    name,
    sent: proposals.length,
    signed: signed.length,
    lost,
    open: of('open').length,
    rate: decided === 0 ? null : Math.floor((signed.length * 2000 + decided) / (2 * decided)) / 10,
    medianDays: median(signed.map(({ sentOn, signedOn }) => daysBetween(sentOn, signedOn!))),
    offered: sumAmounts(proposals.map(({ total }) => total)),
    won: sumAmounts(signed.map(({ total }) => total)),
  };
}

/**
 * How proposals fared, in all and by group, most sent first. Withdrawn ones were sent, but neither won nor lost.
 */
export function winRows(
  proposals: readonly SentProposal[],
  by: 'seller' | 'trade',
): { readonly rows: readonly WinRow[]; readonly all: WinRow } {
  const names = [...new Set(proposals.map((each) => each[by]))];
  const rows = names
    .map((name) =>
      rowOf(
        name,
        proposals.filter((each) => each[by] === name),
      ),
    )
    .sort((a, b) => b.sent - a.sent || (a.name < b.name ? -1 : 1));
  return { rows, all: rowOf('', proposals) };
}
