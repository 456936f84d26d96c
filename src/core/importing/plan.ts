import type { Fixed } from '../number';
import type { CostPart, ItemInput, Load, PriceBreaks } from '@/model';
import { addFixed, parseFixed, writeFixed } from '../number';
import { hourly, partCost } from '../price';
import type { Cells, ReadItem } from './readItem';
import { RowError } from './cells';
import { writeLoads } from './ownLoads';
import { readItemRows, writeBreaks } from './readItem';
import type { Matching } from './fields';

/** An item as the library has it, for comparing. */
export type KnownItem = ItemInput & { readonly retired: boolean };

export interface Planned {
  /** The row in the file, the heading being row 1. */
  readonly row: number;
  readonly code: string;
  readonly item: ItemInput;
  readonly retired: boolean;
  /** What differs, in words; empty for an item that is new. */
  readonly changes: readonly string[];
}

export interface Refused {
  readonly row: number;
  readonly code: string;
  readonly why: string;
}

export interface ImportPlan {
  readonly added: readonly Planned[];
  readonly changed: readonly Planned[];
  /** Rows that say what the library already has. */
  readonly left: number;
  readonly refused: readonly Refused[];
}

/** Costs of one type summed, labour part by part: how two ways of writing the same cost are told to be the same. */
function costKey(costs: readonly CostPart[]): string {
  const sums = new Map<string, Fixed[]>();
  const labour: string[] = [];
  for (const part of costs) {
    const byHour = hourly(part);
    if (byHour) labour.push(`${writeFixed(byHour.hours)}×${writeFixed(byHour.rate)}`);
    else sums.set(part.type, [...(sums.get(part.type) ?? []), partCost(part, false)]);
  }
  const amounts = [...sums]
    .map(([type, parts]) => `${type} ${writeFixed(addFixed(parts))}`)
    .filter((text) => !text.endsWith(' 0'))
    .sort();
  return [...amounts, ...labour].join(', ');
}

const names: Partial<Record<keyof ItemInput, string>> = {
  name: 'name',
  detail: 'detail',
  trade: 'trade',
  unit: 'unit',
  taxClass: 'tax class',
  costCode: 'cost code',
  tags: 'tags',
  internalNote: 'our note',
  supplierNote: 'supplier note',
  waste: 'waste',
  pack: 'pack',
  minimumCharge: 'minimum charge',
  breaks: 'price breaks',
  loads: 'markup of its own',
};

const decimalFields = ['waste', 'pack', 'minimumCharge'] as const;
const shown = (key: keyof ItemInput, value: unknown): string =>
  value === undefined || value === ''
    ? ''
    : key === 'loads'
      ? writeLoads(value as readonly Load[])
      : Array.isArray(value)
        ? value.join(' ')
        : typeof value === 'object'
          ? writeBreaks(value as PriceBreaks)
          : decimalFields.some((field) => field === key)
            ? writeFixed(parseFixed(String(value)))
            : String(value);

/** The known item with what the file says of it; costs that only are written otherwise stay as they are. */
function merged(known: KnownItem, read: ReadItem): { item: ItemInput; changes: string[] } {
  const { retired: _, ...before } = known;
  const changes: string[] = [];
  const item: Record<string, unknown> = { ...before };
  for (const [key, label] of Object.entries(names) as [keyof ItemInput, string][]) {
    if (!Object.hasOwn(read.values, key)) continue;
    const value = (read.values as Record<string, unknown>)[key];
    const [was, is] = [shown(key, before[key]), shown(key, value)];
    if (was === is) continue;
    if (value === undefined) delete item[key];
    else item[key] = value;
    changes.push(`${label}: ${was || 'nothing'} → ${is || 'nothing'}`);
  }
  if (read.costs !== null) {
    const [was, is] = [costKey(before.costs), costKey(read.costs)];
    if (was !== is) {
      item.costs = [...read.costs];
      changes.push(`cost: ${was || 'nothing'} → ${is || 'nothing'}`);
    }
  }
  return { item: item as ItemInput, changes };
}

function fresh(read: ReadItem, taxClass: string): ItemInput {
  if (read.values.name === undefined) throw new RowError('There is no name.');
  const { trade, ...values } = read.values;
  const defined = Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined));
  return {
    name: read.values.name,
    detail: '',
    unit: 'each',
    taxClass,
    costCode: '',
    tags: [],
    internalNote: '',
    ...defined,
    trade: trade === undefined || trade === '' ? 'Other' : trade,
    code: read.code,
    costs: [...(read.costs ?? [])],
  };
}

/** A row of a file with the number it has there. */
export interface FileRow {
  readonly row: number;
  readonly cells: readonly string[];
  /** What was wrong with the row before anything was read from it. */
  readonly trouble?: string;
}

/**
 * Plans an import: each row of the file against the library, by code. Rows that follow with the same code carry more
 * labour of the same item; a code that comes back later is refused. Nothing is stored.
 *
 * @param options.check says in words what is wrong with an item as a whole, or null
 * @throws RowError in words, for rows that cannot be read
 */
export function planImport(
  rows: Iterable<FileRow>,
  matching: Matching,
  options: {
    readonly known: ReadonlyMap<string, KnownItem>;
    readonly taxClasses: readonly string[];
    readonly check: (item: ItemInput) => string | null;
  },
): ImportPlan {
  const added: Planned[] = [];
  const changed: Planned[] = [];
  const refused: Refused[] = [];
  let left = 0;
  const seen = new Set<string>();
  const codeAt = matching.indexOf('code');
  const cellsOf = (cells: readonly string[]): Cells => {
    const named: Partial<Record<string, string>> = {};
    for (const [i, field] of matching.entries()) if (field !== null) named[field] = cells[i] ?? '';
    return named as Cells;
  };

  const finish = (group: readonly FileRow[]) => {
    const [first] = group;
    if (!first) return;
    const code = (first.cells[codeAt] ?? '').trim();
    const refuse = (why: string) => refused.push({ row: first.row, code: code.slice(0, 40), why });
    const trouble = group.find((row) => row.trouble !== undefined)?.trouble;
    if (trouble !== undefined) {
      refuse(trouble);
      return;
    }
    try {
      const read = readItemRows(group.map(({ cells }) => cellsOf(cells)));
      if (seen.has(read.code)) throw new RowError(`The code ${read.code} stands in the file twice.`);
      seen.add(read.code);
      const known = options.known.get(read.code);
      const taxClass = read.values.taxClass;
      if (taxClass !== undefined && !options.taxClasses.includes(taxClass))
        throw new RowError(`The tax class “${taxClass}” is not one of ours.`);
      const { item, changes } = known
        ? merged(known, read)
        : { item: fresh(read, options.taxClasses[0] ?? 'standard'), changes: [] };
      const wrong = options.check(item);
      if (wrong !== null) throw new RowError(wrong);
      const retired = read.retired ?? known?.retired ?? false;
      const moved = known && known.retired !== retired ? [retired ? 'retired' : 'back in use'] : [];
      const planned = { row: first.row, code: read.code, item, retired, changes: [...changes, ...moved] };
      if (!known) added.push(planned);
      else if (planned.changes.length > 0) changed.push(planned);
      else left += 1;
    } catch (error) {
      if (!(error instanceof RowError)) throw error;
      refuse(error.message);
    }
  };

  let group: FileRow[] = [];
  for (const row of rows) {
    const code = (row.cells[codeAt] ?? '').trim();
    const before = (group[0]?.cells[codeAt] ?? '').trim();
    if (group.length > 0 && code !== '' && code === before) group.push(row);
    else {
      finish(group);
      group = [row];
    }
  }
  finish(group);
  return { added, changed, left, refused };
}
