import { writeCsv } from './writeCsv';

/** What of a job can be written as a list. */
export const jobLists = ['stages', 'codes', 'types', 'lines', 'costs', 'cash', 'allowances'] as const;
export type JobList = (typeof jobLists)[number];

const grouped = ['name', 'budget', 'cost', 'toCome', 'expected', 'over'] as const;
const columns: Readonly<Record<JobList, readonly string[]>> = {
  stages: [
    ...['name', 'done', 'agreed', 'billed', 'complete', 'earned', 'overBilled'],
    ...['budget', 'cost', 'toCome', 'expected', 'over', 'profit', 'expectedProfit'],
  ],
  codes: grouped,
  types: grouped,
  lines: grouped,
  costs: ['spentOn', 'what', 'supplier', 'costType', 'for', 'hours', 'rate', 'amount', 'invoice', 'by'],
  cash: ['day', 'in', 'out', 'lowest', 'balance'],
  allowances: ['description', 'section', 'spend', 'chosen', 'left', 'settledBy'],
};
const words: ReadonlySet<string> = new Set([
  ...[
    'name',
    'what',
    'supplier',
    'costType',
    'for',
    'invoice',
    'by',
    'done',
    'day',
    'spentOn',
    'description',
    'section',
  ],
]);

/** One list of a job as CSV (docs/formats/job-csv.md). */
export function jobCsv(list: JobList, rows: readonly object[]): string {
  const all = columns[list];
  return writeCsv<Record<string, unknown>>(
    all,
    rows as readonly Record<string, unknown>[],
    new Set(all.filter((column) => !words.has(column))),
  );
}
