import type { Amount } from '../number';
import type { ReportColumn, ReportRow } from '.';
import { mergeRows, moneyReports, percentOf, reportTable, sortRows } from '.';

const columns: readonly ReportColumn[] = [
  { key: 'name', title: 'Name', kind: 'text' },
  { key: 'jobs', title: 'Jobs', kind: 'count' },
  { key: 'part', title: 'Part', kind: 'amount' },
  { key: 'whole', title: 'Whole', kind: 'amount' },
  { key: 'share', title: '%', kind: 'percent', of: ['part', 'whole'] },
];
const row = (id: string, part: bigint, whole: bigint, name = id): ReportRow => ({
  id,
  agreementId: id,
  words: { name },
  counts: { jobs: 1 },
  amounts: { part: part as Amount, whole: whole as Amount },
});

describe('a report as a table', () => {
  test('percents are rounded once, half away from zero, to a tenth; of nothing there is none', () => {
    const percent = (part: bigint, whole: bigint) => percentOf(part as Amount, whole as Amount);
    expect(percent(1n, 3n)).toBe('33.3');
    expect(percent(2n, 3n)).toBe('66.7');
    // 0.05 % exactly is the half; one cent less of a large sum is below it.
    expect(percent(1n, 2000n)).toBe('0.1');
    expect(percent(499_999_999n, 1_000_000_000_000n)).toBe('0.0');
    expect(percent(-1n, 2000n)).toBe('-0.1');
    expect(percent(5n, 0n)).toBe('');
  });

  test('sums are of the rows, and their percent is of the sums, not a mean of percents', () => {
    const { rows, sums } = reportTable(columns, [row('a', 100n, 200n), row('b', 900n, 1000n)], 2);
    expect(rows.map(({ cells }) => cells.share)).toEqual(['50.0', '90.0']);
    expect(sums).toEqual({ name: '', jobs: '2', part: '10.00', whole: '12.00', share: '83.3' });
    expect(reportTable(columns, [], 2).sums).toEqual({
      name: '',
      jobs: '0',
      part: '0.00',
      whole: '0.00',
      share: '',
    });
  });

  test('rows of one identity are one row; of several agreements it leads to none', () => {
    const merged = mergeRows([
      row('a', 1n, 2n),
      row('b', 1n, 1n),
      { ...row('a', 3n, 4n), agreementId: 'other' },
    ]);
    expect(merged.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(merged[0]).toMatchObject({
      agreementId: null,
      counts: { jobs: 2 },
      amounts: { part: 4n, whole: 6n },
    });
    expect(merged[1]!.agreementId).toBe('b');
  });

  test('sorted by size, by number, by letters in any case; equal rows stay as they stand', () => {
    const rows = [row('1', 5n, 10n, 'b'), row('2', 10n, 0n, 'A'), row('3', 5n, 5n, 'c')];
    const order = (by: string, down = false) => sortRows(columns, rows, { by, down }).map(({ id }) => id);
    expect(order('part')).toEqual(['1', '3', '2']);
    expect(order('part', true)).toEqual(['2', '1', '3']);
    expect(order('name')).toEqual(['2', '1', '3']);
    expect(order('share')).toEqual(['2', '1', '3']);
    expect(order('unknown')).toEqual(['1', '2', '3']);
    const numbered = [row('a', 0n, 0n, '10'), row('b', 0n, 0n, '9')];
    expect(sortRows(columns, numbered, { by: 'name', down: false }).map(({ id }) => id)).toEqual(['b', 'a']);
  });
});

test('every report: its columns are told apart; what it draws, sorts by and is a percent of is among them', () => {
  expect(new Set(moneyReports.map(({ id }) => id)).size).toBe(moneyReports.length);
  for (const { columns: all, chart, sort } of moneyReports) {
    const keys = all.map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
    const amounts = all.filter(({ kind }) => kind === 'amount').map(({ key }) => key);
    for (const key of [...chart.keys, ...(chart.label ? [chart.label] : [])]) expect(amounts).toContain(key);
    expect(keys).toContain(sort.by);
    for (const { kind, of = [] } of all) {
      expect(of.length).toBe(kind === 'percent' ? 2 : 0);
      for (const key of of) expect(amounts).toContain(key);
    }
  }
});
