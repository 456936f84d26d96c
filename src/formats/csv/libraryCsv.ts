import Papa from 'papaparse';
import { addFixed, parseFixed, writeFixed } from '@/core/number';
import type { CostPart, LibraryItem } from '@/model';

/** Columns of the library as CSV, in order (docs/formats/library-csv.md). */
export const libraryColumns = [
  'code',
  'name',
  'detail',
  'trade',
  'unit',
  'material',
  'labour_hours',
  'labour_rate',
  'equipment',
  'subcontract',
  'other',
  'tax_class',
  'cost_code',
  'tags',
] as const;

type Row = Record<(typeof libraryColumns)[number], string>;

function costOf(costs: readonly CostPart[], type: Exclude<CostPart['type'], 'labour'>): string {
  const parts = costs.filter((part) => part.type === type);
  if (parts.length === 0) return '';
  return writeFixed(addFixed(parts.map((part) => parseFixed('amount' in part ? part.amount : '0'))));
}

/** One row a labour part, so that hours and rate stay what they are; the other costs stand in the first. */
function rowsOf(item: LibraryItem): Row[] {
  const labour = item.costs.flatMap((part) => (part.type === 'labour' ? [part] : []));
  return (labour.length === 0 ? [null] : labour).map((part, i) => {
    const cost = (type: Exclude<CostPart['type'], 'labour'>) => (i === 0 ? costOf(item.costs, type) : '');
    return {
      code: item.code,
      name: item.name,
      detail: item.detail,
      trade: item.trade,
      unit: item.unit,
      material: cost('material'),
      labour_hours: part?.hours ?? '',
      labour_rate: part?.rate ?? '',
      equipment: cost('equipment'),
      subcontract: cost('subcontract'),
      other: cost('other'),
      tax_class: item.taxClass,
      cost_code: item.costCode,
      tags: item.tags.join(' '),
    };
  });
}

/** The library as CSV after RFC 4180: CRLF, quoted where needed, a header row. */
export function libraryCsv(items: readonly LibraryItem[]): string {
  const rows = items.flatMap(rowsOf);
  return `${Papa.unparse({ fields: [...libraryColumns], data: rows.map((row) => libraryColumns.map((column) => row[column])) })}\r\n`;
}
