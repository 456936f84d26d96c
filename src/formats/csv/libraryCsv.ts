import Papa from 'papaparse';
import { writeBreaks, writeLoads } from '@/core/importing';
import { addFixed, parseFixed, writeFixed } from '@/core/number';
import { hourly, partCost } from '@/core/price';
import type { CostPart, ItemInput } from '@/model';

/** Columns of the library as a list, in order (docs/formats/library-csv.md). */
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
  'overtime_rate',
  'waste',
  'pack',
  'minimum_charge',
  'breaks',
  'loads',
  'supplier_note',
  'retired',
] as const;

/** An item; its note for us is not written, a list may be handed on. */
export type ListedItem = ItemInput & { readonly retired: boolean };

type Row = Record<(typeof libraryColumns)[number], string>;

function costOf(costs: readonly CostPart[], type: Exclude<CostPart['type'], 'labour'>): string {
  const parts = costs.filter((part) => part.type === type);
  if (parts.length === 0) return '';
  return writeFixed(addFixed(parts.map((part) => partCost(part, false))));
}

/**
 * Text that a spreadsheet would take for a formula gets a quote before it, which the import takes off again. Numbers in
 * columns of numbers stay as they are.
 */
export const guarded = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);

/** A decimal written one way: 46.00 is 46. */
const decimal = (text: string | undefined): string =>
  text === undefined ? '' : writeFixed(parseFixed(text));

/** One row a labour part, so that hours and rate stay what they are; the other costs stand in the first. */
function rowsOf(item: ListedItem): Row[] {
  const labour = item.costs.map(hourly).filter((part) => part !== null);
  const { breaks } = item;
  return (labour.length === 0 ? [null] : labour).map((part, i) => {
    const cost = (type: Exclude<CostPart['type'], 'labour'>) => (i === 0 ? costOf(item.costs, type) : '');
    return {
      code: guarded(item.code),
      name: guarded(item.name),
      detail: guarded(item.detail),
      trade: guarded(item.trade),
      unit: item.unit,
      material: cost('material'),
      labour_hours: part ? writeFixed(part.hours) : '',
      labour_rate: part ? writeFixed(part.rate) : '',
      equipment: cost('equipment'),
      subcontract: cost('subcontract'),
      other: cost('other'),
      tax_class: item.taxClass,
      cost_code: guarded(item.costCode),
      tags: guarded(item.tags.join(' ')),
      overtime_rate: part?.overtimeRate ? writeFixed(part.overtimeRate) : '',
      waste: decimal(item.waste),
      pack: decimal(item.pack),
      minimum_charge: decimal(item.minimumCharge),
      breaks: breaks ? writeBreaks(breaks) : '',
      loads: item.loads ? writeLoads(item.loads) : '',
      supplier_note: guarded(item.supplierNote ?? ''),
      retired: item.retired ? 'yes' : '',
    };
  });
}

/** The library as rows of text, without the heading. */
export const libraryRows = (items: readonly ListedItem[]): string[][] =>
  items.flatMap(rowsOf).map((row) => libraryColumns.map((column) => row[column]));

/** The library as CSV after RFC 4180: CRLF, quoted where needed, a header row. */
export function libraryCsv(items: readonly ListedItem[]): string {
  return `${Papa.unparse({ fields: [...libraryColumns], data: libraryRows(items) })}\r\n`;
}
