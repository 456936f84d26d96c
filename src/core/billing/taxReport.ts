import { plusDays } from '../calendar';
import { groupBy } from '../collections/groupBy';
import type { Amount } from '../number';
import { ZERO, addAmounts, divideRounded, subtractAmounts, sumAmounts } from '../number';
import type { LoadedAgreement, LoadedPaper } from './loadedAgreement';
import type { Portion } from './paper';

/** Money that settled a paper, or credit that was given out of one, on a business date. */
export interface Settlement {
  /** Paid: onto an invoice. Taken back: a credit note put on the invoice it credits. Given: out of a credit note elsewhere. */
  readonly kind: 'paid' | 'taken back' | 'given';
  readonly paperId: string;
  /** Of what is taken back: the credit note. */
  readonly noteId?: string;
  readonly amount: Amount;
  readonly day: string;
}

/** One component of sales tax in a period. */
export interface TaxReportRow {
  readonly name: string;
  readonly percent: string;
  /** Net of what was invoiced that bears it, credit notes taken off. */
  readonly base: Amount;
  /** Tax on invoices and credit notes issued in the period. */
  readonly invoiced: Amount;
  /** Tax in the money that came in, less what went back, in the period. */
  readonly collected: Amount;
}

export interface TaxReport {
  /** Net of all that was invoiced, credit notes taken off; without late charges. */
  readonly sales: Amount;
  /** Net that bears no tax at all. */
  readonly untaxed: Amount;
  readonly rows: readonly TaxReportRow[];
  readonly invoiced: Amount;
  readonly collected: Amount;
}

/** Net and taxes of draws and of what is held back or paid ahead, each with its class. */
type Parts = readonly Portion[];

function partsOf(agreement: LoadedAgreement, paper: LoadedPaper): Parts {
  const classes = new Map(agreement.ledger.lines.map(({ id, taxClass }) => [id, taxClass]));
  return [
    ...paper.draws.map(({ lineId, net, taxes }) => ({ taxClass: classes.get(lineId)!, net, taxes })),
    ...paper.retainage,
    ...paper.advance,
  ];
}

const taxesOf = (parts: Parts, components: number): Amount[] =>
  Array.from({ length: components }, (_, c) => sumAmounts(parts.map(({ taxes }) => taxes[c] ?? ZERO)));

/** The classes that bear a component: those with a line it comes to something on. */
const bearing = ({ ledger: { lines } }: LoadedAgreement, component: number): ReadonlySet<string> =>
  new Set(lines.filter(({ taxes }) => (taxes[component] ?? ZERO) !== 0n).map(({ taxClass }) => taxClass));

const share = (amount: Amount, top: Amount, bottom: Amount): Amount =>
  (bottom === 0n ? 0n : divideRounded(amount * top, bottom)) as Amount;

const absolute = (amount: Amount): Amount => (amount < 0n ? -amount : amount) as Amount;

/** The tax of each component in the money that is on the papers of an agreement by the end of a day. */
function collectedBy(agreement: LoadedAgreement, settlements: readonly Settlement[], day: string): Amount[] {
  const count = agreement.components.length;
  const byThen = settlements.filter((each) => each.day <= day);
  const sum = (fits: (each: Settlement) => boolean) =>
    sumAmounts(byThen.filter(fits).map(({ amount }) => amount));
  const taxes = new Map(
    agreement.papers.map((paper) => [paper.id, taxesOf(partsOf(agreement, paper), count)]),
  );
  const totals = new Map(agreement.papers.map(({ id, amount }) => [id, amount]));
  const collected = agreement.papers.map((paper) => {
    const own = taxes.get(paper.id)!;
    if (paper.kind === 'credit note') {
      const whole = absolute(paper.amount);
      const taken = sum(({ noteId }) => noteId === paper.id);
      const given = sum(({ kind, paperId }) => kind === 'given' && paperId === paper.id);
      // What was put on its invoice never came in; what is given elsewhere went back out of what had.
      return own.map((tax) =>
        subtractAmounts(share(tax, addAmounts(taken, given), whole), share(tax, taken, whole)),
      );
    }
    const backs = byThen.filter(({ kind, paperId }) => kind === 'taken back' && paperId === paper.id);
    const left = subtractAmounts(paper.amount, sumAmounts(backs.map(({ amount }) => amount)));
    const paid = sum(({ kind, paperId }) => kind === 'paid' && paperId === paper.id);
    return own.map((tax, c) => {
      const byNote = [...new Set(backs.map(({ noteId }) => noteId!))].map((noteId) => {
        const taken = sumAmounts(backs.filter((each) => each.noteId === noteId).map(({ amount }) => amount));
        return share(taxes.get(noteId)?.[c] ?? ZERO, taken, absolute(totals.get(noteId) ?? ZERO));
      });
      return share(sumAmounts([tax, ...byNote]), paid, left);
    });
  });
  return Array.from({ length: count }, (_, c) => sumAmounts(collected.map((each) => each[c]!)));
}

/**
 * Sales tax of a period by component, two ways: on what was invoiced (accrual), and in the money that came in (cash). Tax in
 * money is that of the invoice in proportion to what of it is paid, rounded once for each invoice and component to date, so
 * that all of it is collected exactly when all is paid. Late charges bear no tax.
 * Common practice, no source: which of the two is owed is the law of the place.
 *
 * @param agreements with everything issued on them
 * @param settlements of each agreement, by its id
 * @param from first business date
 * @param to last business date
 */
export function taxReport(
  agreements: readonly LoadedAgreement[],
  settlements: ReadonlyMap<string, readonly Settlement[]>,
  from: string,
  to: string,
): TaxReport {
  return addTaxReports(
    agreements.map((agreement) =>
      taxOfAgreement(agreement, settlements.get(agreement.head.id) ?? [], from, to),
    ),
  );
}

/** The same of one agreement. */
function taxOfAgreement(
  agreement: LoadedAgreement,
  settlements: readonly Settlement[],
  from: string,
  to: string,
): TaxReport {
  const issued = agreement.papers
    .filter(({ issuedOn }) => issuedOn >= from && issuedOn <= to)
    .flatMap((paper) => partsOf(agreement, paper));
  const borne = agreement.components.map((_, c) => bearing(agreement, c));
  const net = (of: Parts) => sumAmounts(of.map((part) => part.net));
  const before = collectedBy(agreement, settlements, plusDays(from, -1));
  const after = collectedBy(agreement, settlements, to);
  const rows = agreement.components.map(({ name, percent }, c) => ({
    name,
    percent,
    base: net(issued.filter(({ taxClass }) => borne[c]!.has(taxClass))),
    invoiced: sumAmounts(issued.map(({ taxes }) => taxes[c] ?? ZERO)),
    collected: subtractAmounts(after[c]!, before[c]!),
  }));
  return {
    sales: net(issued),
    untaxed: net(issued.filter(({ taxClass }) => !borne.some((of) => of.has(taxClass)))),
    rows,
    invoiced: sumAmounts(rows.map(({ invoiced }) => invoiced)),
    collected: sumAmounts(rows.map(({ collected }) => collected)),
  };
}

/** Reports of several lots of agreements as one: a component that is called alike and has the same percent is one. */
export function addTaxReports(parts: readonly TaxReport[]): TaxReport {
  const sum = (of: (part: TaxReport) => Amount) => sumAmounts(parts.map(of));
  const alike = groupBy(
    parts.flatMap(({ rows }) => rows),
    ({ name, percent }) => JSON.stringify([name, percent]),
  );
  const rows = [...alike.values()]
    .map((own) => ({
      name: own[0]!.name,
      percent: own[0]!.percent,
      base: sumAmounts(own.map(({ base }) => base)),
      invoiced: sumAmounts(own.map(({ invoiced }) => invoiced)),
      collected: sumAmounts(own.map(({ collected }) => collected)),
    }))
    .filter(({ base, invoiced, collected }) => base !== 0n || invoiced !== 0n || collected !== 0n)
    .sort((a, b) => a.name.localeCompare(b.name) || Number(a.percent) - Number(b.percent));
  return {
    sales: sum(({ sales }) => sales),
    untaxed: sum(({ untaxed }) => untaxed),
    rows,
    invoiced: sum(({ invoiced }) => invoiced),
    collected: sum(({ collected }) => collected),
  };
}
