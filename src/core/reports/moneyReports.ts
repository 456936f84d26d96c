import { agreementStanding, reportOf } from '../billing';
import { commissionOf } from './commission';
import { daysBetween } from '../calendar';
import type { Amount } from '../number';
import { ZERO, negateAmount, showDecimal, subtractAmounts, sumAmounts } from '../number';
import type { ReportColumn, ReportRow } from './reportTable';
import type { ReportPeriod, ReportedJob } from './reportedJob';
import { inPeriod } from './reportedJob';
import { mergeRows } from './reportTable';

/** A report on money: what it shows of each agreement, and how. */
export interface MoneyReport {
  readonly id: string;
  readonly title: string;
  /** What its period is of. */
  readonly period: 'signed' | 'issued';
  readonly columns: readonly ReportColumn[];
  /** What its figures mean, in a sentence or two. */
  readonly note: string;
  /** The order it begins in. */
  readonly sort: { readonly by: string; readonly down: boolean };
  /** What of it is drawn: amounts of each row one after the other, or the sums beside one another. */
  readonly chart: {
    readonly of: 'rows' | 'sums';
    readonly keys: readonly string[];
    /** The amount that stands at the end of a bar; the first of the keys where it is not said. */
    readonly label?: string;
    /** Each amount has a bar of its own. */
    readonly besideOneAnother?: true;
  };
  /** Rows of one agreement; those of one identity are put together over all. */
  readonly rowsOf: (job: ReportedJob, today: string, period: ReportPeriod) => readonly ReportRow[];
}

const above = (value: Amount): Amount => (value > 0n ? value : ZERO);

/** Columns every report by agreement begins with. */
const ofAgreement: readonly ReportColumn[] = [
  { key: 'number', title: 'No.', kind: 'text' },
  { key: 'title', title: 'Agreement', kind: 'text' },
  { key: 'customer', title: 'Customer', kind: 'text' },
  { key: 'signed', title: 'Signed', kind: 'day' },
];

/** One row of an agreement. */
const rowOf = (
  { loaded: { head }, customer, signedOn }: ReportedJob,
  amounts: ReportRow['amounts'],
  words: ReportRow['words'] = {},
): ReportRow => ({
  id: head.id,
  agreementId: head.id,
  words: { number: String(head.number), title: head.title, customer, signed: signedOn, ...words },
  amounts,
});

const amount = (key: string, title: string): ReportColumn => ({ key, title, kind: 'amount' });
const percent = (key: string, title: string, part: string, whole: string): ReportColumn => ({
  ...{ key, title, kind: 'percent', of: [part, whole] },
});

const contract: MoneyReport = {
  id: 'contract',
  title: 'Agreed, billed, paid',
  period: 'signed',
  columns: [
    ...ofAgreement,
    amount('original', 'As signed first'),
    amount('changes', 'Change orders'),
    amount('sum', 'Contract sum'),
    amount('billed', 'Billed'),
    percent('billedShare', '% billed', 'billed', 'sum'),
    amount('paid', 'Paid'),
    percent('paidShare', '% paid', 'paid', 'sum'),
    amount('open', 'Open'),
    amount('left', 'To bill'),
  ],
  note: 'With tax. Billed is every invoice less its credit notes, retainage that is held left out; the percents are of the contract sum with its change orders. Charges for late payment are none of it.',
  sort: { by: 'number', down: true },
  chart: { of: 'rows', keys: ['paid', 'open', 'left'], label: 'sum' },
  rowsOf: (job) => {
    const { loaded } = job;
    const { sumToDate, billed, paid, leftToBill, billedUnpaid } = agreementStanding(loaded);
    const changes = sumAmounts(loaded.changes.map((change) => change.amount));
    return [
      rowOf(job, {
        original: subtractAmounts(sumToDate, changes),
        changes,
        sum: sumToDate,
        billed,
        paid,
        open: billedUnpaid,
        left: leftToBill,
      }),
    ];
  },
};

const work: MoneyReport = {
  id: 'wip',
  title: 'Work in progress',
  period: 'signed',
  columns: [
    ...ofAgreement,
    amount('agreed', 'Contract sum'),
    amount('expected', 'Cost at the end'),
    amount('cost', 'Cost so far'),
    percent('complete', '% complete', 'earned', 'agreed'),
    amount('earned', 'Earned'),
    amount('billed', 'Billed'),
    amount('over', 'Overbilled'),
    amount('under', 'Underbilled'),
  ],
  note: 'Before tax. A stage is complete by its cost so far over its cost at the end, or when it is reported done; earned is that share of its sum. Overbilled is billed beyond what is earned, underbilled the other way.',
  sort: { by: 'number', down: true },
  chart: { of: 'rows', keys: ['earned', 'billed'], besideOneAnother: true },
  rowsOf: (job) => {
    const { agreed, expected, cost, earned, billed, overBilled } = reportOf(job.loaded, job.costs).total;
    return [
      rowOf(job, {
        ...{ agreed, expected, cost, earned, billed },
        over: above(overBilled),
        under: above(negateAmount(overBilled)),
      }),
    ];
  },
};

const margin: MoneyReport = {
  id: 'margin',
  title: 'Margin by job',
  period: 'signed',
  columns: [
    ...ofAgreement,
    amount('agreed', 'Contract sum'),
    amount('budget', 'Cost estimated'),
    amount('planned', 'Margin estimated'),
    percent('plannedShare', '% estimated', 'planned', 'agreed'),
    amount('cost', 'Cost so far'),
    amount('expected', 'Cost at the end'),
    { ...amount('profit', 'Margin at the end'), minds: true },
    percent('profitShare', '% at the end', 'profit', 'agreed'),
    { ...amount('moved', 'Better or worse'), minds: true },
  ],
  note: 'Before tax. Estimated is what was agreed less what it was to cost; at the end, less what it will have cost: cost so far and what is still to come.',
  sort: { by: 'profitShare', down: false },
  chart: { of: 'rows', keys: ['planned', 'profit'], besideOneAnother: true },
  rowsOf: (job) => {
    const { agreed, budget, cost, expected, expectedProfit } = reportOf(job.loaded, job.costs).total;
    const planned = subtractAmounts(agreed, budget);
    return [
      rowOf(job, {
        ...{ agreed, budget, planned, cost, expected },
        profit: expectedProfit,
        moved: subtractAmounts(expectedProfit, planned),
      }),
    ];
  },
};

const ages = [
  { key: 'notDue', title: 'Not due', most: 0 },
  { key: 'to30', title: '1 to 30 days', most: 30 },
  { key: 'to60', title: '31 to 60', most: 60 },
  { key: 'to90', title: '61 to 90', most: 90 },
  { key: 'over90', title: 'Over 90', most: Infinity },
] as const;

const outstanding: MoneyReport = {
  id: 'age',
  title: 'Outstanding by age',
  period: 'issued',
  columns: [
    { key: 'customer', title: 'Customer', kind: 'text' },
    { key: 'number', title: 'Invoice', kind: 'text' },
    { key: 'title', title: 'Agreement', kind: 'text' },
    { key: 'issued', title: 'Issued', kind: 'day' },
    { key: 'due', title: 'Due', kind: 'day' },
    ...ages.map(({ key, title }) => amount(key, title)),
    amount('credit', 'Credit'),
    amount('open', 'Owed'),
  ],
  note: 'With tax, as of today; charges for late payment that were issued are in it. Credit is money and credit notes on no invoice yet; owed is what is open less the credit.',
  sort: { by: 'customer', down: false },
  chart: { of: 'sums', keys: ages.map(({ key }) => key) },
  rowsOf: ({ loaded, customer, credit }, today, period) => {
    const { head } = loaded;
    const invoices = loaded.invoices.filter(
      ({ standing, issuedOn }) => standing.open !== 0n && inPeriod(issuedOn, period),
    );
    const rows = invoices.map(({ id, label, issuedOn, dueOn, standing: { open } }): ReportRow => {
      const late = daysBetween(dueOn, today);
      const { key } = ages.find(({ most }) => late <= most)!;
      return {
        id,
        agreementId: head.id,
        words: { customer, number: label, title: head.title, issued: issuedOn, due: dueOn },
        amounts: { [key]: open, open },
      };
    });
    // Money on no invoice is of no invoice's day: it counts only where all days do.
    if (credit === 0n || period.from !== null || period.to !== null) return rows;
    const less = negateAmount(credit);
    return [
      ...rows,
      {
        id: `credit ${head.id}`,
        agreementId: head.id,
        words: { customer, number: '', title: head.title, issued: '', due: '' },
        amounts: { credit: less, open: less },
      },
    ];
  },
};

const netOf = (portions: readonly { readonly net: Amount }[]) => sumAmounts(portions.map(({ net }) => net));

const retainage: MoneyReport = {
  id: 'retainage',
  title: 'Retainage',
  period: 'signed',
  columns: [
    ...ofAgreement,
    { key: 'rate', title: 'Rate', kind: 'text' },
    { key: 'limit', title: 'Limit', kind: 'text' },
    amount('work', 'Work it is of'),
    amount('heldInAll', 'Held in all'),
    amount('released', 'Released'),
    amount('held', 'Held now'),
    amount('net', 'of it net'),
    amount('tax', 'of it tax'),
  ],
  note: 'With tax; the work and what is held of it as billed so far. The limit is of the contract sum.',
  sort: { by: 'number', down: true },
  chart: { of: 'rows', keys: ['held', 'released'], label: 'heldInAll' },
  rowsOf: (job) => {
    const { held, heldGross, released, holding } = job.loaded.position;
    const terms = job.loaded.head.billing.retainage;
    if (!terms && heldGross === 0n && released === 0n) return [];
    const net = netOf(held);
    return [
      rowOf(
        job,
        {
          work: holding,
          heldInAll: (heldGross + released) as Amount,
          released,
          held: heldGross,
          net,
          tax: subtractAmounts(heldGross, net),
        },
        {
          rate: terms ? `${showDecimal(terms.percent)} %` : '',
          limit: terms?.limit === undefined ? '' : `${showDecimal(terms.limit)} %`,
        },
      ),
    ];
  },
};

const deposits: MoneyReport = {
  id: 'deposits',
  title: 'Deposits held',
  period: 'signed',
  columns: [
    ...ofAgreement,
    amount('billed', 'Billed ahead'),
    amount('unpaid', 'of it not paid'),
    amount('counted', 'Counted off'),
    amount('held', 'Held now'),
    amount('net', 'of it net'),
    amount('tax', 'of it tax'),
  ],
  note: 'With tax. Deposits that are billed ahead and counted off as the work is billed; a deposit that bills a share of the work is not held, and not here.',
  sort: { by: 'number', down: true },
  chart: { of: 'rows', keys: ['held', 'counted'], label: 'billed' },
  rowsOf: (job) => {
    const { ofAgreement: papers, position, invoices } = job.loaded;
    const ahead = papers.filter(({ kind }) => kind === 'advance');
    const ids = new Set(ahead.map(({ id }) => id));
    const ofThem = papers.filter(({ id, credits }) => ids.has(id) || (credits !== null && ids.has(credits)));
    if (ofThem.length === 0) return [];
    const billed = sumAmounts(ofThem.map((paper) => paper.amount));
    const held = position.aheadGross;
    const net = netOf(position.ahead);
    return [
      rowOf(job, {
        billed,
        unpaid: sumAmounts(invoices.filter(({ id }) => ids.has(id)).map(({ standing }) => standing.open)),
        counted: subtractAmounts(billed, held),
        held,
        net,
        tax: subtractAmounts(held, net),
      }),
    ];
  },
};

const items: MoneyReport = {
  id: 'items',
  title: 'Estimated against actual',
  period: 'signed',
  columns: [
    { key: 'item', title: 'Item', kind: 'text' },
    { key: 'jobs', title: 'Agreements', kind: 'count' },
    amount('budget', 'Cost estimated'),
    amount('cost', 'Cost so far'),
    percent('spent', '% of the estimate', 'cost', 'budget'),
    amount('expected', 'Cost at the end'),
    { ...amount('moved', 'Better or worse'), minds: true },
  ],
  note: 'Before tax. Lines of one name are one item; costs that were recorded for no line stand in a row of their own.',
  sort: { by: 'moved', down: false },
  chart: { of: 'rows', keys: ['budget', 'cost'], besideOneAnother: true },
  rowsOf: ({ loaded, costs }) => {
    const lines = new Map(loaded.lines.map((line) => [line.id, line]));
    // What a change order leaves out is taken off the item it leaves out.
    const itemOf = (lineId: string, name: string) =>
      lines.get(lines.get(lineId)?.omits ?? '')?.description ?? name;
    const rows = reportOf(loaded, costs).byLine.map(({ lineId, name, budget, cost, expected }): ReportRow => {
      const item = lineId === null ? null : itemOf(lineId, name);
      return {
        id: item === null ? 'for no line' : `item ${item}`,
        agreementId: loaded.head.id,
        words: { item: item ?? 'For no line' },
        amounts: { budget, cost, expected, moved: subtractAmounts(budget, expected) },
      };
    });
    // An item that stands in several lines of an agreement is in it once.
    return mergeRows(rows).map((row) => ({ ...row, counts: { jobs: 1 } }));
  },
};

const commission: MoneyReport = {
  id: 'commission',
  title: 'Commission',
  period: 'signed',
  columns: [
    { key: 'seller', title: 'Sold by', kind: 'text' },
    ...ofAgreement,
    amount('base', 'Commission is of'),
    { key: 'rate', title: 'Rate', kind: 'text' },
    amount('whole', 'Commission'),
    amount('earned', 'Earned so far'),
    amount('toCome', 'Still to come'),
  ],
  note: 'As Settings, Pricing says: of the contract sum before tax, or of what it will leave over its cost; earned when it is signed, or in step with what is paid. Each agreement goes by who sells it now.',
  sort: { by: 'seller', down: false },
  chart: { of: 'rows', keys: ['earned', 'toCome'], label: 'whole' },
  rowsOf: (job) => {
    const gets = commissionOf(job, job.sellerId, job.commission);
    if (!gets) return [];
    const { base, percent: rate, whole, earned } = gets;
    return [
      rowOf(
        job,
        { base, whole, earned, toCome: subtractAmounts(whole, earned) },
        { seller: job.seller, rate: `${showDecimal(rate)} %` },
      ),
    ];
  },
};

/** Does a report tell what something cost us? */
export const tellsCost = (
  { id, columns }: MoneyReport,
  commissionIsOf: 'price' | 'margin' = 'price',
): boolean =>
  columns.some(({ key }) => key === 'cost') || (id === 'commission' && commissionIsOf === 'margin');

/** The reports on money, in the order they are offered. */
export const moneyReports: readonly MoneyReport[] = [
  contract,
  work,
  margin,
  items,
  outstanding,
  retainage,
  deposits,
  commission,
];
