import { writeCsv } from './writeCsv';

/** What is looked back on as a list. */
export const backLists = ['agreements', 'sellers', 'trades', 'items'] as const;
export type BackList = (typeof backLists)[number];

const wins = ['name', 'sent', 'signed', 'lost', 'open', 'rate', 'medianDays', 'offered', 'won'] as const;
const columns: Readonly<Record<BackList, readonly string[]>> = {
  agreements: [
    ...['number', 'title', 'customer', 'signedOn', 'sumToDate', 'billed', 'paid', 'leftToBill'],
    ...['budget', 'cost', 'toCome', 'earned', 'overBilled', 'expectedProfit'],
  ],
  sellers: wins,
  trades: wins,
  items: ['code', 'name', 'offered', 'used', 'sold'],
};
const words: ReadonlySet<string> = new Set(['title', 'customer', 'name', 'code', 'signedOn']);

/** The columns of a list of looking back, for a workbook. */
export const reportColumns = (
  list: BackList,
): readonly { readonly key: string; readonly title: string; readonly number: boolean }[] =>
  columns[list].map((key) => ({ key, title: key, number: !words.has(key) }));

/** One list of looking back as CSV (docs/formats/job-csv.md). */
export function reportCsv(list: BackList, rows: readonly object[]): string {
  return writeCsv<Record<string, unknown>>(
    columns[list],
    rows as readonly Record<string, unknown>[],
    new Set(columns[list].filter((column) => !words.has(column))),
  );
}
