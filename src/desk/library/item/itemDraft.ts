import { pricedItem } from '@/core/editing';
import { isBelowZero, writeFixed } from '@/core/number';
import { computeFigures, ordered } from '@/core/price';
import { parseQuantity } from '@/core/quantity';
import type { ItemInput, UsualTerms } from '@/model';

/** A new item, to be filled in. */
export const emptyItem = (taxClass: string): ItemInput => ({
  code: '',
  name: '',
  detail: '',
  trade: '',
  unit: 'each',
  costs: [],
  taxClass,
  costCode: '',
  tags: [],
  internalNote: '',
});

/** What a quantity of an item comes to, under the company's usual loads. */
export function tryItem(item: ItemInput, quantity: string, usual: UsualTerms, currency: string) {
  const line = {
    kind: 'line' as const,
    ...pricedItem({ ...item, id: 'trial' }),
    description: item.name || 'Item',
    id: 'trial',
    quantity,
  };
  const figures = computeFigures({
    format: 'impegno-proposal',
    formatVersion: 1,
    title: 'Trial',
    currency,
    shows: 'lines',
    sections: [{ id: 's', title: 'Trial', entries: [line] }],
    loads: usual.loads,
    fees: [],
    taxClasses: usual.taxClasses,
    schedule: [],
  }).sections[0]!.lines[0]!;
  return { figures, ordered: ordered(figures.quantity, line) };
}

/** What of an item may be absent. */
type OptionalField = 'picture' | 'breaks' | 'loads' | 'waste' | 'pack' | 'minimumCharge';

/** The item with what may be absent set; nothing takes it away. */
export function withOptional<K extends OptionalField>(
  item: ItemInput,
  field: K,
  value: ItemInput[K] | null | undefined,
): ItemInput {
  const next = { ...item };
  if (value) next[field] = value;
  else delete next[field];
  return next;
}

/**
 * A figure that may be absent, as it was typed.
 * @param places decimals that are kept
 * @returns null for an empty text and for zero
 * @throws Error in words for what is no quantity or below zero
 */
export function readFigure(text: string, places: number): string | null {
  if (text.trim() === '') return null;
  const value = writeFixed(parseQuantity(text, places));
  if (isBelowZero(value)) throw new Error('Not below zero.');
  return value === '0' ? null : value;
}
