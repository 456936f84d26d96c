import type { Transaction } from '@/data/connection';
import type { Issued, Portion } from '@/core/billing';
import { billedLines, drawnToDate, paperSums, positionOf } from '@/core/billing';
import type { Amount } from '@/core/number';
import { addAmounts, moneyOf, parseAmount, sumAmounts } from '@/core/number';
import { lateInWords, retainageInWords } from '@/core/text/billingInWords';
import type { InvoicePaper } from '@/formats/invoicePaper';
import { layoutOf, lineOf } from './paperLayout';
import type { LoadedAgreement, LoadedPaper } from '@/core/billing';
import { agreementOfInvoice, loadAgreement } from '@/data/agreements/load';

/** An agreement as it was when a paper was issued: change orders and papers that came after are none of it. */
export function asOf(loaded: LoadedAgreement, issuedAt: Date, position: number) {
  const changes = loaded.changes.filter(({ acceptedAt }) => acceptedAt <= issuedAt);
  const known = new Set<string | null>([null, ...changes.map(({ id }) => id)]);
  const lines = loaded.lines.filter(({ changeOrderId }) => known.has(changeOrderId));
  const papers = loaded.ofAgreement.filter((each) => each.position < position);
  return { ...loaded, changes, lines, ledger: { ...loaded.ledger, lines, papers } };
}

const partNames = {
  retainage: { off: 'Retainage, held until completion', on: 'Retainage released, due now' },
  advance: { off: 'Deposit applied', on: 'Deposit, paid up front' },
} as const;

function partsOf(
  kind: keyof typeof partNames,
  portions: readonly Portion[],
  money: (value: bigint) => string,
) {
  return portions.map(({ taxClass, net, taxes }) => ({
    kind,
    name: partNames[kind][net < 0n || (net === 0n && taxes.some((tax) => tax < 0n)) ? 'off' : 'on'],
    taxClass,
    net: money(net),
    gross: money(sumAmounts([net, ...taxes])),
  }));
}

/** Whether a paper charges for late payment, or takes such a charge back. */
export const isLate = (loaded: LoadedAgreement, row: Pick<LoadedPaper, 'kind' | 'credits'>): boolean =>
  row.kind === 'late charge' ||
  (row.credits !== null && loaded.papers.find(({ id }) => id === row.credits)?.kind === 'late charge');

/** A paper of a loaded agreement, with everything its formats need. Nothing in it is internal. */
export function paperOf(loaded: LoadedAgreement, row: LoadedPaper): InvoicePaper {
  const money = moneyOf(loaded.digits);
  const then = asOf(loaded, row.issuedAt, row.position);
  const before = drawnToDate(
    then.lines,
    then.ledger.papers.flatMap(({ draws }) => draws),
  );
  const late = isLate(loaded, row);
  const position = positionOf({
    ...then.ledger,
    papers: late ? then.ledger.papers : [...then.ledger.papers, row as Issued],
  });
  const sums = paperSums(row as Issued, loaded.components.length);
  const drawn = new Map(row.draws.map((each) => [each.lineId, each]));
  const none = loaded.components.map(() => 0n as Amount);
  const credited = row.credits === null ? null : loaded.papers.find(({ id }) => id === row.credits)!;
  const changeOf = new Map(then.changes.map(({ id, number }) => [id, number]));
  const contractSum = sumAmounts(then.lines.flatMap(({ net, taxes }) => [net, ...taxes]));
  const billedBefore = parseAmount(row.billedBefore, loaded.digits);
  const paidBefore = sumAmounts(
    then.ledger.papers.map(({ standing }) => addAmounts(standing.paid, standing.creditApplied)),
  );
  const billed = then.lines.map((line, i) => ({
    line,
    before: before[i]!.net,
    net: drawn.get(line.id)?.net ?? (0n as Amount),
    taxes: drawn.get(line.id)?.taxes ?? none,
  }));
  const rows = billedLines(billed, row.shows).map((line) => ({
    line,
    change: changeOf.get(line.changeOrderId ?? '') ?? null,
  }));
  return {
    kind: row.kind,
    number: row.label,
    title: row.title,
    issuedOn: row.issuedOn,
    dueOn: row.dueOn,
    currency: loaded.head.currency,
    seller: row.seller,
    buyer: row.buyer,
    agreement: { number: loaded.head.number, title: loaded.head.title },
    credits: credited ? { number: credited.label, issuedOn: credited.issuedOn } : null,
    remark: row.remark,
    lines: rows.map((each) => lineOf(each, row.shows, loaded.digits)),
    layout: layoutOf({
      shows: row.shows,
      rows,
      billed: billed.map((each) => ({
        ...each,
        change: changeOf.get(each.line.changeOrderId ?? '') ?? null,
      })),
      before: then.ledger.papers.flatMap(({ draws }) => draws),
      now: row.draws,
      digits: loaded.digits,
    }),
    parts: [
      ...partsOf('advance', row.advance, money.write),
      ...partsOf('retainage', row.retainage, money.write),
      ...(late
        ? [{ kind: 'late' as const, name: row.title, taxClass: '', net: row.net, gross: row.total }]
        : []),
    ],
    ofAgreement: !late,
    lateTerms: row.lateTerms ? lateInWords(row.lateTerms, loaded.head.currency) : null,
    apart: late
      ? [{ name: row.title, net: row.net }]
      : (['advance', 'retainage'] as const).flatMap((kind) => {
          const net = sumAmounts(row[kind].map((portion) => portion.net));
          return row[kind].length === 0
            ? []
            : [{ name: partNames[kind][net < 0n ? 'off' : 'on'], net: money.write(net) }];
        }),
    components: loaded.components.map(({ key, taxClass, name, percent }, i) => ({
      key,
      taxClass,
      name,
      percent,
      amount: money.write(sums.taxes[i]!),
    })),
    work: money.write(sums.work),
    net: row.net,
    tax: row.tax,
    total: row.total,
    // A credit note uses none: what it gives is the customer's credit.
    creditUsed: row.kind === 'credit note' ? money.write(0n) : row.creditUsed,
    paid: money.write(row.standing.paid),
    takenBack: money.write(row.standing.takenBack),
    creditApplied: money.write(row.standing.creditApplied),
    open: money.write(row.standing.open),
    original: loaded.head.total,
    changes: then.changes.map(({ number, title, total }) => ({ number, title, total })),
    contractSum: money.write(contractSum),
    workToDate: money.write(position.workBilled),
    heldToDate: money.write(position.heldGross),
    aheadToDate: money.write(position.aheadGross),
    billedBefore: row.billedBefore,
    paidBefore: money.write(paidBefore),
    leftAfter: money.write(contractSum - billedBefore - (late ? 0n : row.amount)),
    retainageTerms: retainageInWords(loaded.head.billing),
  };
}

/** An invoice or credit note with everything its formats need, inside a transaction. */
export async function invoicePaper(tx: Transaction, invoiceId: string): Promise<InvoicePaper> {
  const loaded = await loadAgreement(tx, await agreementOfInvoice(tx, invoiceId));
  return paperOf(
    loaded,
    loaded.papers.find(({ id }) => id === invoiceId)!,
  );
}
