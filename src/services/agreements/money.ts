import { eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { invoice } from '@/data/schema';
import { settledOf } from '@/data/settled';
import type { Issued, IssuedKind, Ledger, PaperKind, Portion } from '@/core/billing';
import { billedOfEntry, invoiceStandings, positionOf } from '@/core/billing';
import type { Amount } from '@/core/number';
import { ZERO, minorDigits, parseAmount, parseFixed, sumAmounts, writeAmount } from '@/core/number';
import { Problem } from '../problem';
import type { AgreementRows } from './rows';
import { groupBy, rowsOf } from './rows';

/**
 * An agreement as billing needs it: its frozen lines and taxes, those of its signed change orders with them, and
 * everything drawn on them so far. `total` and the amounts of components and payments are to date; what was signed first
 * stands in `head`.
 *
 * @param lock draws of one agreement are made one after the other; the lock ends with the transaction
 * @throws Problem 404 where there is no such agreement
 */
export async function loadAgreement(tx: Transaction, agreementId: string, { lock = false } = {}) {
  const [rows] = await rowsOf(tx, [agreementId], lock);
  if (!rows) throw new Problem(404, 'There is no such agreement.');
  return assemble(rows);
}

/** Several agreements, in the order asked for, with as many queries as one takes. */
export const loadAgreements = async (tx: Transaction, ids: readonly string[]) =>
  (await rowsOf(tx, ids, false)).map(assemble);

function assemble({
  head,
  changes,
  taxChanges,
  paymentChanges,
  allowances,
  signedComponents,
  lines: rows,
  lineTaxes,
  payments,
  papers,
  partRows,
  partTaxRows,
  stages,
  staged,
  drawRows,
  drawTaxRows,
  settled,
  paidBack,
}: AgreementRows) {
  const digits = minorDigits(head.currency);
  const money = (text: string) => parseAmount(text, digits);
  const order = new Map(changes.map(({ id }, i) => [id, i + 1]));
  const inOrder = <T extends { changeOrderId: string | null; position: number }>(all: readonly T[]): T[] => {
    const at = ({ changeOrderId }: T) => (changeOrderId === null ? 0 : order.get(changeOrderId)!);
    return [...all].sort((a, b) => at(a) - at(b) || a.position - b.position);
  };
  const components = signedComponents.map((row) => {
    const added = taxChanges.filter(({ position }) => position === row.position);
    const sum = (of: 'base' | 'amount') =>
      writeAmount(sumAmounts([money(row[of]), ...added.map((each) => money(each[of]))]), digits);
    return { ...row, base: sum('base'), amount: sum('amount') };
  });

  const taxesOf = (list: readonly { position: number; amount: string }[]): Amount[] => {
    const taxes = components.map((): Amount => ZERO);
    for (const { position, amount } of list) taxes[position] = money(amount);
    return taxes;
  };
  const byLine = groupBy(lineTaxes, (row) => row.lineId);
  const byDraw = groupBy(drawTaxRows, (row) => `${row.invoiceId} ${row.lineId}`);

  const stageOf = new Map(staged.map(({ lineId, stage }) => [lineId, stage]));
  const lines = inOrder(rows).map((row) => ({
    ...row,
    id: row.lineId,
    stage: stageOf.get(row.lineId) ?? null,
    bundle:
      row.bundleId === null
        ? null
        : { id: row.bundleId, name: row.bundleName ?? row.description, one: row.bundleOne },
    quantity: parseFixed(row.quantity),
    unitPrice: parseFixed(row.unitPrice),
    net: money(row.net),
    cost: money(row.cost),
    omitted: row.omittedQuantity === null ? 0n : parseFixed(row.omittedQuantity),
    taxes: taxesOf(byLine.get(row.lineId) ?? []),
  }));
  const place = new Map(lines.map(({ id }, i) => [id, i]));
  const draws = groupBy(
    [...drawRows]
      .sort((a, b) => place.get(a.lineId)! - place.get(b.lineId)!)
      .map((row) => ({
        invoiceId: row.invoiceId,
        lineId: row.lineId,
        net: money(row.net),
        taxes: taxesOf(byDraw.get(`${row.invoiceId} ${row.lineId}`) ?? []),
      })),
    ({ invoiceId }) => invoiceId,
  );
  const byPart = groupBy(partTaxRows, (row) => `${row.invoiceId} ${row.kind} ${row.taxClass}`);
  const portions = (invoiceId: string, kind: 'retainage' | 'advance'): Portion[] =>
    partRows
      .filter((row) => row.invoiceId === invoiceId && row.kind === kind)
      .map(({ taxClass, net }) => ({
        taxClass,
        net: money(net),
        taxes: taxesOf(byPart.get(`${invoiceId} ${kind} ${taxClass}`) ?? []),
      }));
  const onInvoice = new Map(settled.map((row) => [row.id, row]));
  const entries = inOrder(payments).map((row) => ({
    ...row,
    amount: sumAmounts([
      money(row.amount),
      ...paymentChanges.filter(({ entryId }) => entryId === row.entryId).map(({ amount }) => money(amount)),
    ]),
  }));
  const amounts = papers.map(({ id, kind, credits, total }) => ({
    ...{ id, kind, credits, total: money(total) },
    settled: settledOf(onInvoice.get(id), digits),
  }));
  const standings = invoiceStandings(amounts);
  const issued = papers.map((row, i) => ({
    ...row,
    amount: amounts[i]!.total,
    standing: standings[i]!,
    draws: draws.get(row.id) ?? [],
    retainage: portions(row.id, 'retainage'),
    advance: portions(row.id, 'advance'),
  }));
  const late = new Set(issued.flatMap(({ id, kind }) => (kind === 'late charge' ? [id] : [])));
  const ofAgreement = issued.filter(
    (paper): paper is typeof paper & { readonly kind: PaperKind } =>
      paper.kind !== 'late charge' && (paper.credits === null || !late.has(paper.credits)),
  );
  const ledger: Ledger = {
    minorDigits: digits,
    terms: head.billing,
    lines,
    components: components.length,
    entries: entries.map((entry) => ({ ...entry, id: entry.entryId })),
    papers: ofAgreement,
  };
  const position = positionOf(ledger);
  return {
    head,
    digits,
    total: sumAmounts([money(head.total), ...changes.map(({ total }) => money(total))]),
    changes: changes.map((row) => ({ ...row, amount: money(row.total) })),
    allowances: lines.flatMap(({ id }) =>
      allowances.filter(({ lineId }) => lineId === id).map((row) => ({ ...row, spend: money(row.spend) })),
    ),
    components,
    lines,
    payments: entries.map((entry) => ({ ...entry, billed: billedOfEntry(ledger, entry.entryId) })),
    stages,
    /** Everything issued, credit notes too, in order. */
    papers: issued,
    /** Those that bill the agreement: no charge for late payment, and nothing that takes one back. */
    ofAgreement,
    /** What can be paid. */
    invoices: issued.filter(({ kind }) => kind !== 'credit note'),
    ledger,
    position,
    /** Paid back to the customer out of credit notes. */
    paidBack: sumAmounts(paidBack.map(({ sum }) => money(sum))),
    before: position.before,
  };
}

export type LoadedAgreement = ReturnType<typeof assemble>;

export type LoadedPaper = Omit<LoadedAgreement['papers'][number], keyof Issued> &
  Omit<Issued, 'kind'> & { readonly kind: IssuedKind };

/** The agreement of an invoice. */
export async function agreementOfInvoice(tx: Transaction, invoiceId: string): Promise<string> {
  const [row] = await tx
    .select({ agreementId: invoice.agreementId })
    .from(invoice)
    .where(eq(invoice.id, invoiceId));
  if (!row) throw new Problem(404, 'There is no such invoice.');
  return row.agreementId;
}
