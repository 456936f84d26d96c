import type { CostPart, ItemInput, PriceBreaks, UnitCode } from '@/model';
import { ownUnitPattern, unitCodes } from '@/model';
import { unitOf } from '../quantity';
import { RowError, readNumber, unguarded } from './cells';
import type { LibraryField } from './fields';
import { readLoads } from './ownLoads';

export type Cells = Readonly<Partial<Record<LibraryField, string>>>;

/** What a file says of an item; a field it has no column for is not there. */
export interface ReadItem {
  readonly code: string;
  readonly values: Partial<Omit<ItemInput, 'code' | 'costs'>>;
  /** Null where the file has no column of costs. */
  readonly costs: readonly CostPart[] | null;
  readonly retired: boolean | null;
}

/** Price breaks as text: `material whole 500:3.1 1500:2.95`. */
export const writeBreaks = ({ costType, kind, steps }: PriceBreaks): string =>
  [costType, kind, ...steps.map(({ from, amount }) => `${from}:${amount}`)].join(' ');

function readBreaks(cell: string): PriceBreaks {
  const [type, kind, ...steps] = cell.trim().toLowerCase().split(/\s+/);
  const costType = (['material', 'equipment', 'subcontract', 'other'] as const).find((each) => each === type);
  const how = (['whole', 'graduated'] as const).find((each) => each === kind);
  if (!costType || !how || steps.length === 0)
    throw new RowError('Breaks are written “material whole 500:3.1 1500:2.95”.');
  return {
    costType,
    kind: how,
    steps: steps.map((step) => {
      const [from, amount, more] = step.split(':');
      if (more !== undefined || !from || !amount)
        throw new RowError('Breaks are written “material whole 500:3.1 1500:2.95”.');
      return { from: readNumber('A break', from)!, amount: readNumber('A break', amount)! };
    }),
  };
}

function readUnit(cell: string): UnitCode {
  const text = cell.trim();
  const known =
    unitCodes.find((code) => code === text.toLowerCase()) ??
    unitOf(text) ??
    (new RegExp(ownUnitPattern).test(text) ? (text as UnitCode) : undefined);
  if (!known) throw new RowError(`The unit “${text.slice(0, 40)}” is not known.`);
  return known;
}

const yes = ['yes', 'y', 'true', '1', 'x', 'retired', 'inactive'];
const no = ['no', 'n', 'false', '0', '', 'active'];

/** One row's labour, and (in the first row of an item) its other costs. */
function costsOf(cells: Cells, first: boolean): CostPart[] {
  const parts: CostPart[] = [];
  const amount = (type: 'material' | 'equipment' | 'subcontract' | 'other') => {
    const value = first ? readNumber(type, cells[type]) : null;
    if (value !== null && value !== '0') parts.push({ type, amount: value });
  };
  amount('material');
  const hours = readNumber('labor hours', cells.labour_hours);
  if (hours !== null && hours !== '0') {
    const rate = readNumber('labor rate', cells.labour_rate);
    if (rate === null) throw new RowError('There are labor hours but no rate.');
    const overtime = readNumber('overtime rate', cells.overtime_rate);
    parts.push({
      type: 'labour',
      hours,
      rate,
      ...(overtime === null ? {} : { overtimeRate: overtime }),
    });
  }
  amount('equipment');
  amount('subcontract');
  amount('other');
  return parts;
}

const costFields: readonly LibraryField[] = ['material', 'labour_hours', 'equipment', 'subcontract', 'other'];

/**
 * Reads an item from its row, and from the rows after it that carry more labour under the same code.
 * @throws RowError with a sentence for what cannot be read
 */
export function readItemRows(rows: readonly Cells[]): ReadItem {
  const [cells] = rows;
  if (!cells) throw new RowError('The row is empty.');
  const code = unguarded((cells.code ?? '').trim());
  if (code === '') throw new RowError('There is no code.');
  if (code.length > 40) throw new RowError('The code is longer than 40 letters.');
  const values: Record<string, unknown> = {};
  const text = (field: LibraryField, key: string, most: number) => {
    const cell = cells[field];
    if (cell === undefined) return;
    const value = unguarded(cell.trim());
    if (value.length > most) throw new RowError(`${field.replace('_', ' ')} is longer than ${most} letters.`);
    values[key] = value;
  };
  text('name', 'name', 200);
  text('detail', 'detail', 2000);
  text('trade', 'trade', 60);
  text('cost_code', 'costCode', 40);
  text('supplier_note', 'supplierNote', 2000);
  text('internal_note', 'internalNote', 2000);
  text('tax_class', 'taxClass', 64);
  if (values.taxClass === '') delete values.taxClass;
  if (values.name === '') throw new RowError('There is no name.');
  if (cells.unit !== undefined && cells.unit.trim() !== '') values.unit = readUnit(cells.unit);
  if (cells.tags !== undefined)
    values.tags = unguarded(cells.tags.trim())
      .split(/[\s,;]+/)
      .filter(Boolean)
      .slice(0, 20)
      .map((tag) => tag.slice(0, 40));
  for (const [field, key] of [
    ['waste', 'waste'],
    ['pack', 'pack'],
    ['minimum_charge', 'minimumCharge'],
  ] as const) {
    if (cells[field] === undefined) continue;
    const value = readNumber(field.replace('_', ' '), cells[field]);
    values[key] = value === '0' ? undefined : (value ?? undefined);
  }
  if (cells.breaks !== undefined)
    values.breaks = cells.breaks.trim() === '' ? undefined : readBreaks(cells.breaks);
  if (cells.loads !== undefined) values.loads = readLoads(cells.loads);
  const retired = cells.retired?.trim().toLowerCase();
  if (retired !== undefined && !yes.includes(retired) && !no.includes(retired))
    throw new RowError(`Retired is “${retired.slice(0, 20)}”; yes or no is wanted.`);
  return {
    code,
    values: values as ReadItem['values'],
    costs: costFields.some((field) => cells[field] !== undefined)
      ? rows.flatMap((row, i) => costsOf(row, i === 0))
      : null,
    retired: retired === undefined ? null : yes.includes(retired),
  };
}
