import { writeFixed } from '@/core/number';
import { parseQuantity } from '@/core/quantity';
import type { Load, SeveralChange, SeveralField, UnitCode } from '@/model';
import type { raisableTypes } from '@/core/importing';

/** What is typed in the fields of a change of several, whichever field it is of. */
export interface SeveralTyped {
  readonly find: string;
  readonly put: string;
  readonly set: string;
  readonly unit: UnitCode;
  readonly taxClass: string;
  readonly add: string;
  readonly drop: string;
  readonly percent: string;
  readonly costTypes: readonly (typeof raisableTypes)[number][];
  readonly loads: Load[] | null;
}

export const nothingTyped = (taxClass: string): SeveralTyped => ({
  find: '',
  put: '',
  set: '',
  unit: 'each',
  taxClass,
  add: '',
  drop: '',
  percent: '',
  costTypes: ['material'],
  loads: null,
});

const tagsOf = (text: string): string[] =>
  text
    .split(',')
    .map((tag) => tag.trim().toLowerCase())
    .filter(Boolean);

/** A number as it is typed, none where nothing is. @throws Error in words */
function numberOrNone(text: string, places: number): string | null {
  if (text.trim() === '') return null;
  const value = parseQuantity(text.replace(/[%$]/g, ''), places);
  if (value < 0n) throw new Error('Not below zero.');
  return writeFixed(value);
}

/**
 * The change that is typed.
 * @throws Error in words where it is none
 */
export function changeTyped(field: SeveralField, typed: SeveralTyped): SeveralChange {
  switch (field) {
    case 'name':
    case 'code':
      if (typed.find === '') throw new Error('Type the words that are replaced.');
      return { field, find: typed.find, put: typed.put };
    case 'detail':
    case 'internalNote':
    case 'supplierNote':
      return { field, find: typed.find, put: typed.put };
    case 'trade':
      if (typed.set.trim() === '') throw new Error('Type a trade.');
      return { field, set: typed.set.trim() };
    case 'costCode':
      return { field, set: typed.set.trim() };
    case 'unit':
      return { field, set: typed.unit };
    case 'taxClass':
      return { field, set: typed.taxClass };
    case 'waste':
    case 'pack':
    case 'minimumCharge':
      return { field, set: numberOrNone(typed.set, field === 'waste' ? 4 : 3) };
    case 'tags': {
      const [add, drop] = [tagsOf(typed.add), tagsOf(typed.drop)];
      if (add.length + drop.length === 0) throw new Error('Type a tag to put on or to take off.');
      return { field, add, drop };
    }
    case 'costs': {
      if (!/\d/.test(typed.percent)) throw new Error('Type a percentage, such as 4.5 or -3.');
      const percent = writeFixed(parseQuantity(typed.percent.replace(/%/g, ''), 4));
      return { field, percent, costTypes: [...typed.costTypes] };
    }
    case 'loads':
      return { field, set: typed.loads };
    case 'breaks':
    case 'picture':
      return { field, set: null };
  }
}
