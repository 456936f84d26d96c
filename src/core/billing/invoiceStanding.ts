import type { Amount } from '../number';
import { negateAmount, sumAmounts } from '../number';
import type { IssuedKind } from './paper';

/*
 * What is said of an invoice and of money, decided here and nowhere else: every screen, paper, letter and list takes it from
 * here; where SQL sums it for lists, tests hold the two equal on random histories.
 */

/** What is on an invoice, by where it came from. */
export interface Settled {
  /** Money received that is on it. */
  readonly received: Amount;
  /** Of credit notes that take it back. */
  readonly takenBack: Amount;
  /** Of credit notes on other invoices: the customer's credit. */
  readonly creditApplied: Amount;
}

/** A paper that was issued, as far as its standing goes. */
export interface InvoiceFacts {
  readonly kind: IssuedKind;
  readonly total: Amount;
  readonly settled: Settled;
  /** What its credit notes take back of it in all, above zero; also what was credited elsewhere. */
  readonly credited: Amount;
}

/** A draft is no paper yet; *overdue* is said beside the state, by the day. */
export type InvoiceState = 'draft' | 'issued' | 'part paid' | 'paid' | 'part credited' | 'credited';

export interface InvoiceStanding {
  readonly state: InvoiceState;
  /** Money received, never credit. */
  readonly paid: Amount;
  /** What credit notes took off it. */
  readonly takenBack: Amount;
  /** What the customer's credit paid. */
  readonly creditApplied: Amount;
  /** What the customer still owes on it; of a credit note nothing. */
  readonly open: Amount;
}

export const nothingSettled: Settled = {
  received: 0n as Amount,
  takenBack: 0n as Amount,
  creditApplied: 0n as Amount,
};

/**
 * Where an issued paper stands.
 *
 * - open: its total less all that is on it
 * - credited: its credit notes take it back in whole, whatever became of money on it
 * - paid: nothing is open, by money or the customer's credit
 * - part paid: money or the customer's credit is on it, and something is open
 * - part credited: only credit notes of its own are
 */
export function invoiceStanding({ kind, total, settled, credited }: InvoiceFacts): InvoiceStanding {
  const { received, takenBack, creditApplied } = settled;
  const open = (kind === 'credit note' ? 0n : total - received - takenBack - creditApplied) as Amount;
  const state = (): InvoiceState => {
    if (kind === 'credit note') return 'issued';
    if (credited > 0n && credited >= total) return 'credited';
    if (open <= 0n) return 'paid';
    if (received + creditApplied > 0n) return 'part paid';
    return takenBack > 0n ? 'part credited' : 'issued';
  };
  return { state: state(), paid: received, takenBack, creditApplied, open };
}

/** Whether something of it is open after the day it was due. */
export const isOverdue = ({ open }: Pick<InvoiceStanding, 'open'>, dueOn: string, today: string): boolean =>
  open > 0n && dueOn < today;

/**
 * Standings of all papers of an agreement, in their order.
 * @param papers with what each takes back (`credits`)
 */
export function invoiceStandings(
  papers: readonly {
    readonly id: string;
    readonly kind: IssuedKind;
    readonly credits: string | null;
    readonly total: Amount;
    readonly settled: Settled;
  }[],
): InvoiceStanding[] {
  return papers.map(({ id, kind, total, settled }) =>
    invoiceStanding({
      kind,
      total,
      settled,
      credited: sumAmounts(
        papers.filter(({ credits }) => credits === id).map((note) => negateAmount(note.total)),
      ),
    }),
  );
}
