import type { Amount, Fixed } from '../number';
import { ZERO, minorDigits, parseAmount, parseFixed, sumAmounts, writeAmount } from '../number';
import { groupBy } from '../collections/groupBy';
import type {
  AgreementHead,
  AgreementRows,
  ChangeRow,
  ComponentRow,
  LineRow,
  PaperRow,
  PaymentRow,
  SettledRow,
  StageRow,
  TaxRow,
} from './agreementRows';
import type { Draw } from './draws';
import type { InvoiceStanding, Settled } from './invoiceStanding';
import { invoiceStandings, nothingSettled } from './invoiceStanding';
import type { Issued, Ledger, Position } from './ledger';
import { billedOfEntry, positionOf } from './ledger';
import type { PaperKind, Portion } from './paper';

/** An agreed line, its decimal text read. */
export interface AgreementLine extends Omit<LineRow, 'quantity' | 'unitPrice' | 'net' | 'cost'> {
  readonly id: string;
  /** The stage it is done in; null: none. */
  readonly stage: string | null;
  readonly bundle: { readonly id: string; readonly name: string; readonly one: boolean } | null;
  readonly quantity: Fixed;
  readonly unitPrice: Fixed;
  readonly net: Amount;
  readonly cost: Amount;
  /** How much it leaves out of the line it omits. */
  readonly omitted: Fixed;
  /** In the order of the components. */
  readonly taxes: readonly Amount[];
}

/** A payment of the schedule to date, and what of it is billed. */
export interface AgreementPayment extends Omit<PaymentRow, 'amount'> {
  readonly amount: Amount;
  readonly billed: Amount;
}

/** An issued invoice or credit note with all that is on it, and where it stands. */
export interface LoadedPaper extends PaperRow {
  /** Its total. */
  readonly amount: Amount;
  readonly standing: InvoiceStanding;
  readonly draws: readonly Draw[];
  readonly retainage: readonly Portion[];
  readonly advance: readonly Portion[];
}

/** A paper that bills the agreement: no charge for late payment, and nothing that takes one back. */
export type BillingPaper = LoadedPaper & { readonly kind: PaperKind };

/**
 * An agreement as billing needs it: its frozen lines and taxes, those of its signed change orders with them, and
 * everything drawn on them so far. `total` and the amounts of components and payments are to date; what was signed first
 * stands in `head`.
 */
export interface LoadedAgreement {
  readonly head: AgreementHead;
  /** Digits after the point of its currency. */
  readonly digits: number;
  readonly total: Amount;
  readonly changes: readonly (ChangeRow & { readonly amount: Amount })[];
  readonly allowances: readonly (Omit<AgreementRows['allowances'][number], 'spend'> & {
    readonly spend: Amount;
  })[];
  readonly components: readonly ComponentRow[];
  readonly lines: readonly AgreementLine[];
  readonly payments: readonly AgreementPayment[];
  readonly stages: readonly StageRow[];
  /** Everything issued, credit notes too, in order. */
  readonly papers: readonly LoadedPaper[];
  readonly ofAgreement: readonly BillingPaper[];
  /** What can be paid. */
  readonly invoices: readonly LoadedPaper[];
  readonly ledger: Ledger;
  readonly position: Position;
  readonly before: Position['before'];
  /** Paid back to the customer out of credit notes. */
  readonly paidBack: Amount;
}

/**
 * Sums of what is on an invoice as amounts; nothing where there is no row.
 * @param digits decimals of the currency
 */
export const settledOf = (row: SettledRow | undefined, digits: number): Settled =>
  row === undefined
    ? nothingSettled
    : {
        received: parseAmount(row.received, digits),
        takenBack: parseAmount(row.takenBack, digits),
        creditApplied: parseAmount(row.creditApplied, digits),
      };

/** Reads the rows of one agreement: amounts, places and order are settled once for all that need them. */
class Reader {
  readonly digits: number;
  /** Change order → its place; what was signed first stands at 0. */
  private readonly order: ReadonlyMap<string, number>;

  constructor(readonly rows: AgreementRows) {
    this.digits = minorDigits(rows.head.currency);
    this.order = new Map(rows.changes.map(({ id }, i) => [id, i + 1]));
  }

  readonly money = (text: string): Amount => parseAmount(text, this.digits);

  /** What was signed first, then each change order's, each in its own order. */
  inOrder<T extends { readonly changeOrderId: string | null; readonly position: number }>(
    all: readonly T[],
  ): T[] {
    const at = ({ changeOrderId }: T) => (changeOrderId === null ? 0 : this.order.get(changeOrderId)!);
    return [...all].sort((a, b) => at(a) - at(b) || a.position - b.position);
  }

  /** Taxes in the order of the components, zero where there is none. */
  taxes(list: readonly TaxRow[] = []): Amount[] {
    const taxes = this.rows.components.map((): Amount => ZERO);
    for (const { position, amount } of list) taxes[position] = this.money(amount);
    return taxes;
  }
}

/** Tax components to date. */
function componentsOf({ rows, digits, money }: Reader): ComponentRow[] {
  return rows.components.map((row) => {
    const added = rows.taxChanges.filter(({ position }) => position === row.position);
    const sum = (of: 'base' | 'amount') =>
      writeAmount(sumAmounts([money(row[of]), ...added.map((each) => money(each[of]))]), digits);
    return { ...row, base: sum('base'), amount: sum('amount') };
  });
}

function linesOf(reader: Reader): AgreementLine[] {
  const { rows, money } = reader;
  const taxes = groupBy(rows.lineTaxes, ({ lineId }) => lineId);
  const stages = new Map(rows.lineStages.map(({ lineId, stage }) => [lineId, stage]));
  return reader.inOrder(rows.lines).map((row) => ({
    ...row,
    id: row.lineId,
    stage: stages.get(row.lineId) ?? null,
    bundle:
      row.bundleId === null
        ? null
        : { id: row.bundleId, name: row.bundleName ?? row.description, one: row.bundleOne },
    quantity: parseFixed(row.quantity),
    unitPrice: parseFixed(row.unitPrice),
    net: money(row.net),
    cost: money(row.cost),
    omitted: parseFixed(row.omittedQuantity ?? '0'),
    taxes: reader.taxes(taxes.get(row.lineId)),
  }));
}

/** Draws by paper, in the order of the lines. */
function drawsOf(reader: Reader, lines: readonly AgreementLine[]): ReadonlyMap<string, Draw[]> {
  const { rows, money } = reader;
  const key = (row: { invoiceId: string; lineId: string }) => `${row.invoiceId} ${row.lineId}`;
  const taxes = groupBy(rows.drawTaxes, key);
  const place = new Map(lines.map(({ id }, i) => [id, i]));
  const sorted = [...rows.draws].sort((a, b) => place.get(a.lineId)! - place.get(b.lineId)!);
  const draws = new Map<string, Draw[]>();
  for (const [invoiceId, of] of groupBy(sorted, (row) => row.invoiceId))
    draws.set(
      invoiceId,
      of.map((row) => ({
        lineId: row.lineId,
        net: money(row.net),
        taxes: reader.taxes(taxes.get(key(row))),
      })),
    );
  return draws;
}

function papersOf(reader: Reader, lines: readonly AgreementLine[]): LoadedPaper[] {
  const { rows, digits, money } = reader;
  const draws = drawsOf(reader, lines);
  const key = (row: { invoiceId: string; kind: string; taxClass: string }) =>
    `${row.invoiceId} ${row.kind} ${row.taxClass}`;
  const taxes = groupBy(rows.adjustmentTaxes, key);
  const adjustments = groupBy(rows.adjustments, ({ invoiceId }) => invoiceId);
  const portions = (invoiceId: string, kind: 'retainage' | 'advance'): Portion[] =>
    (adjustments.get(invoiceId) ?? [])
      .filter((row) => row.kind === kind)
      .map((row) => ({
        taxClass: row.taxClass,
        net: money(row.net),
        taxes: reader.taxes(taxes.get(key(row))),
      }));
  const settled = new Map(rows.settled.map((row) => [row.id, row]));
  const standings = invoiceStandings(
    rows.papers.map(({ id, kind, credits, total }) => ({
      ...{ id, kind, credits, total: money(total) },
      settled: settledOf(settled.get(id), digits),
    })),
  );
  return rows.papers.map((row, i) => ({
    ...row,
    amount: money(row.total),
    standing: standings[i]!,
    draws: draws.get(row.id) ?? [],
    retainage: portions(row.id, 'retainage'),
    advance: portions(row.id, 'advance'),
  }));
}

/** Papers without charges for late payment, and without what takes one back. */
function billingPapers(papers: readonly LoadedPaper[]): BillingPaper[] {
  const late = new Set(papers.flatMap(({ id, kind }) => (kind === 'late charge' ? [id] : [])));
  return papers.filter(
    (paper): paper is BillingPaper =>
      paper.kind !== 'late charge' && (paper.credits === null || !late.has(paper.credits)),
  );
}

/** An agreement from its rows. */
export function agreementFrom(rows: AgreementRows): LoadedAgreement {
  const reader = new Reader(rows);
  const { head } = rows;
  const { digits, money } = reader;
  const lines = linesOf(reader);
  const papers = papersOf(reader, lines);
  const ofAgreement = billingPapers(papers);
  const entries = reader.inOrder(rows.payments).map((row) => ({
    ...row,
    amount: sumAmounts([
      money(row.amount),
      ...rows.paymentChanges
        .filter(({ entryId }) => entryId === row.entryId)
        .map(({ amount }) => money(amount)),
    ]),
  }));
  const ledger: Ledger = {
    minorDigits: digits,
    terms: head.billing,
    lines,
    components: rows.components.length,
    entries: entries.map((entry) => ({ ...entry, id: entry.entryId })),
    papers: ofAgreement satisfies readonly Issued[],
  };
  const position = positionOf(ledger);
  return {
    head,
    digits,
    total: sumAmounts([money(head.total), ...rows.changes.map(({ total }) => money(total))]),
    changes: rows.changes.map((row) => ({ ...row, amount: money(row.total) })),
    allowances: lines.flatMap(({ id }) =>
      rows.allowances
        .filter(({ lineId }) => lineId === id)
        .map((row) => ({ ...row, spend: money(row.spend) })),
    ),
    components: componentsOf(reader),
    lines,
    payments: entries.map((entry) => ({ ...entry, billed: billedOfEntry(ledger, entry.entryId) })),
    stages: rows.stages,
    papers,
    ofAgreement,
    invoices: papers.filter(({ kind }) => kind !== 'credit note'),
    ledger,
    position,
    paidBack: sumAmounts(rows.refunded.map(({ sum }) => money(sum))),
    before: position.before,
  };
}
