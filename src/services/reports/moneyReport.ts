import type { CostRow } from '@/core/billing';
import { groupBy } from '@/core/collections/groupBy';
import type { AddressParameters, ListSpec, ListState } from '@/core/lists';
import { readListState, readRange } from '@/core/lists';
import { mainTrade } from '@/core/insight';
import { ZERO, minorDigits, parseAmount } from '@/core/number';
import { computeFigures } from '@/core/price';
import type { MoneyReport, ReportPeriod, ReportRow, ReportedJob } from '@/core/reports';
import {
  inPeriod,
  isUnderWay,
  mergeRows,
  moneyReports,
  reportTable,
  sortRows,
  tellsCost,
} from '@/core/reports';
import { findReportedAgreements, findSignedDocuments } from '@/data/agreements/agreement';
import { loadAgreements } from '@/data/agreements/load';
import { creditByAgreement } from '@/data/billing/moneySums';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { findCostsOfAgreements } from '@/data/jobCosting/costEntry';
import { tradesOf } from '@/data/library/trades';
import { companyOf } from '@/data/settings/company';
import type { FileColumn } from '@/formats/listFile';
import { listCsv, listXlsx } from '@/formats/listFile';
import type { CommissionTerms, ProposalDocument } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, may } from '../actor';
import { noSuch } from '../problem';
import { chunks } from './chunks';

/** One that can be picked of what a report can be narrowed to. */
interface Option {
  readonly value: string;
  readonly label: string;
}

/** What a report can be narrowed to. */
interface Options {
  readonly customer: readonly Option[];
  readonly seller: readonly Option[];
  readonly trade: readonly Option[];
  readonly place: readonly Option[];
}

/** A report as the lists of the desk are asked: by what it is narrowed and sorted. */
const specOf = (report: MoneyReport, { customer, seller, trade, place }: Options): ListSpec => ({
  name: `report ${report.id}`,
  columns: report.columns.map(({ key, title, kind }) => ({
    key,
    title,
    kind: kind === 'day' ? 'date' : kind === 'percent' ? 'count' : kind,
  })),
  filters: [
    { key: 'days', label: report.period === 'signed' ? 'Signed' : 'Issued', kind: 'days' },
    { key: 'customer', label: 'Customer', kind: 'choice', options: customer },
    { key: 'seller', label: 'Sold by', kind: 'choice', options: seller },
    { key: 'trade', label: 'Trade', kind: 'choice', options: trade },
    {
      key: 'state',
      label: 'Progress',
      kind: 'choice',
      options: [
        { value: 'under way', label: 'Under way' },
        { value: 'finished', label: 'Finished' },
      ],
    },
    { key: 'place', label: 'City', kind: 'choice', options: place },
  ],
  sort: report.sort,
});

type Head = Awaited<ReturnType<typeof findReportedAgreements>>[number] & { readonly signedOn: string };

/** Those of some values that there are, each once, by their words. */
function optionsOf(pairs: readonly (readonly [string | null, string | null])[]): Option[] {
  const all = new Map<string, string>();
  for (const [value, label] of pairs) if (value) all.set(value, label ?? value);
  return [...all]
    .map(([value, label]) => ({ value, label }))
    .sort((a, b) => (a.label.toLowerCase() < b.label.toLowerCase() ? -1 : 1));
}

/** Which of some agreements are mostly of one of some trades. */
async function ofTrades(
  tx: Transaction,
  ids: readonly string[],
  trades: readonly string[],
): Promise<ReadonlySet<string>> {
  const found = await findSignedDocuments(tx, [...ids]);
  return new Set(
    found
      .filter(({ canonical, choices }) =>
        trades.includes(mainTrade(computeFigures(JSON.parse(canonical) as ProposalDocument, choices))),
      )
      .map(({ id }) => id),
  );
}

const everyDay: ReportPeriod = { from: null, to: null };
const periodOf = (filters: ListState['filters']): ReportPeriod =>
  readRange('days', filters.days?.[0] ?? '') ?? everyDay;

/** The rows of a report over some agreements. */
async function rowsOf(
  tx: Transaction,
  report: MoneyReport,
  heads: readonly Head[],
  filters: ListState['filters'],
  {
    today,
    digits,
    commission,
  }: {
    readonly today: string;
    readonly digits: number;
    readonly commission: CommissionTerms | undefined;
  },
): Promise<ReportRow[]> {
  const credits = new Map((await creditByAgreement(tx)).map(({ agreementId, sum }) => [agreementId, sum]));
  const rows: ReportRow[] = [];
  for (const some of chunks(heads)) {
    const ids = some.map(({ id }) => id);
    const wanted = filters.trade ? await ofTrades(tx, ids, filters.trade) : null;
    const kept = some.filter(({ id }) => wanted === null || wanted.has(id));
    const loaded = await loadAgreements(
      tx,
      kept.map(({ id }) => id),
    );
    const costs: ReadonlyMap<string, readonly CostRow[]> = groupBy(
      await findCostsOfAgreements(
        tx,
        kept.map(({ id }) => id),
      ),
      ({ agreementId }) => agreementId,
    );
    for (const [i, { id, customer, seller, sellerId, place, signedOn }] of kept.entries()) {
      const credit = credits.get(id);
      const job: ReportedJob = {
        loaded: loaded[i]!,
        costs: costs.get(id) ?? [],
        ...{ customer, seller: seller ?? '', sellerId, place, signedOn, commission },
        credit: credit === undefined ? ZERO : parseAmount(credit, digits),
      };
      if (filters.state && !filters.state.includes(isUnderWay(job) ? 'under way' : 'finished')) continue;
      rows.push(...report.rowsOf(job, today, periodOf(filters)));
    }
  }
  return mergeRows(rows);
}

/**
 * A report on money over the agreements of the company that fit: its rows in the order asked for, their sums, and what it
 * can be narrowed to. Where the period is of issue, every agreement is looked at and its invoices are picked.
 * @throws Problem `no-such-report`
 */
export async function readMoneyReport(actor: Actor, id: string, asked: AddressParameters = {}) {
  allow(actor, 'prices');
  const report = moneyReports.find((each) => each.id === id);
  if (!report) throw noSuch('report');
  if (tellsCost(report)) allow(actor, 'cost');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const { commission } = ours.pricing;
    // Who reads a share of the margin reads the margin.
    if (tellsCost(report, commission?.of)) allow(actor, 'cost');
    const today = businessDate(actor.now, ours.timeZone);
    const digits = minorDigits(ours.currency);
    const heads: Head[] = (await findReportedAgreements(tx)).map((head) => ({
      ...head,
      signedOn: businessDate(head.acceptedAt, ours.timeZone),
    }));
    const spec = specOf(report, {
      customer: optionsOf(heads.map(({ customerId, customer }) => [customerId, customer])),
      seller: optionsOf(heads.map(({ sellerId, seller }) => [sellerId, seller])),
      trade: optionsOf((await tradesOf(tx)).map(({ trade }) => [trade, trade])),
      place: optionsOf(heads.map(({ place }) => [place, place])),
    });
    const state = readListState(spec, asked);
    const { filters } = state;
    const fits = (key: string, value: string | null) => !filters[key] || filters[key].includes(value ?? '');
    const fitting = heads.filter(
      ({ customerId, sellerId, place, signedOn }) =>
        (report.period === 'issued' || inPeriod(signedOn, periodOf(filters))) &&
        fits('customer', customerId) &&
        fits('seller', sellerId) &&
        fits('place', place),
    );
    const rows = await rowsOf(tx, report, fitting, filters, { today, digits, commission });
    return {
      id: report.id,
      title: report.title,
      note: report.note,
      chart: report.chart,
      spec,
      state,
      currency: ours.currency,
      today,
      /** Agreements there are at all. */
      agreements: heads.length,
      ...reportTable(report.columns, sortRows(report.columns, rows, state.sort), digits),
    };
  });
}

/** The reports on money somebody is offered. */
export async function offeredReports(actor: Actor): Promise<readonly { id: string; title: string }[]> {
  allow(actor, 'prices');
  const { pricing } = await inCompany(actor, (tx) => companyOf(tx, actor.companyId));
  return moneyReports
    .filter((report) => may(actor, 'cost') || !tellsCost(report, pricing.commission?.of))
    .map(({ id, title }) => ({ id, title }));
}

export type MoneyReportAtDesk = Awaited<ReturnType<typeof readMoneyReport>>;

/**
 * The same as a file: CSV, or an XLSX workbook; every row, and no sums, so that it can be summed again.
 * @throws Problem `no-such-report`
 */
export async function moneyReportFile(
  actor: Actor,
  id: string,
  asked: AddressParameters,
  format: 'csv' | 'xlsx',
): Promise<{ readonly body: Buffer; readonly name: string }> {
  allow(actor, 'export');
  const { title, columns, rows, today } = await readMoneyReport(actor, id, asked);
  const fileColumns: FileColumn[] = columns.map(({ key, title: head, kind }) => ({
    key,
    title: head,
    number: kind === 'amount' || kind === 'percent' || kind === 'count',
  }));
  const cells = rows.map((row) => row.cells);
  return {
    body:
      format === 'xlsx'
        ? await listXlsx(title, fileColumns, cells)
        : Buffer.from(listCsv(fileColumns, cells)),
    name: `report-${id}-${today}.${format}`,
  };
}
