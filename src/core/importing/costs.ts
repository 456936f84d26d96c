import type { CostType } from '@/model';
import { costTypes } from '@/model';
import { isDay } from '../calendar';
import type { Amount } from '../number';
import { multiplyToAmount, parseAmount, parseFixed, writeAmount } from '../number';
import { RowError, readNumber, unguarded } from './cells';

/** Columns of a list of costs (docs/formats/costs-csv.md). */
export const costColumns = [
  'date',
  'what',
  'cost_type',
  'amount',
  'hours',
  'rate',
  'stage',
  'cost_code',
  'supplier',
] as const;
type Column = (typeof costColumns)[number];

/** A cost as it is recorded. Decimal text. */
export interface ReadCost {
  readonly spentOn: string;
  readonly what: string;
  readonly costType: CostType;
  readonly amount: string;
  readonly hours: string | null;
  readonly rate: string | null;
  readonly stage: string | null;
  readonly costCode: string | null;
  readonly supplier: string;
}

export type ReadRow =
  { readonly row: number; readonly cost: ReadCost } | { readonly row: number; readonly wrong: string };

/**
 * What labour comes to: hours times rate, rounded half away from zero.
 * @param minorDigits decimals of the currency
 */
export const labourAmount = (hours: string, rate: string, minorDigits: number): Amount =>
  multiplyToAmount(parseFixed(hours), parseFixed(rate), minorDigits);

/**
 * Reads a list of costs: each row is a cost or a sentence on what is wrong with it. Hours and rate make the amount; where an
 * amount stands beside them it has to be the same.
 * @param stages names of the agreement's stages; any other is wrong
 * @throws RowError in words, for rows that cannot be read
 */
export function readCosts(
  headings: readonly string[],
  rows: readonly { readonly row: number; readonly cells: readonly string[]; readonly trouble?: string }[],
  { stages, minorDigits }: { readonly stages: readonly string[]; readonly minorDigits: number },
): ReadRow[] {
  const names = headings.map((heading) => heading.trim().toLowerCase().replace(/\s+/g, '_'));
  return rows.map(({ row, cells, trouble }): ReadRow => {
    const cell = (column: Column): string => {
      const at = names.indexOf(column);
      return at < 0 ? '' : unguarded((cells[at] ?? '').trim());
    };
    try {
      if (trouble) throw new RowError(trouble);
      const spentOn = cell('date');
      if (!isDay(spentOn)) throw new RowError('The date is a day as 2026-05-01.');
      const what = cell('what').slice(0, 200);
      if (what === '') throw new RowError('What it was for is missing.');
      const costType = costTypes.find((type) => type === cell('cost_type').toLowerCase());
      if (!costType) throw new RowError(`The cost type is one of ${costTypes.join(', ')}.`);
      const hours = readNumber('hours', cell('hours'));
      const rate = readNumber('rate', cell('rate'));
      if ((hours === null) !== (rate === null)) throw new RowError('Hours and rate come together.');
      const given = readNumber('amount', cell('amount'));
      const amount =
        hours !== null && rate !== null
          ? labourAmount(hours, rate, minorDigits)
          : amountOf(given, minorDigits);
      if (amount === 0n) throw new RowError('The amount is nothing.');
      if (hours !== null && given !== null && amountOf(given, minorDigits) !== amount)
        throw new RowError(`Hours times rate is ${writeAmount(amount, minorDigits)}, not ${given}.`);
      const stage = cell('stage') || null;
      const known = stages.find((name) => name.toLowerCase() === stage?.toLowerCase());
      if (stage !== null && !known) throw new RowError(`The agreement has no stage “${stage.slice(0, 60)}”.`);
      return {
        row,
        cost: {
          spentOn,
          what,
          costType,
          amount: writeAmount(amount, minorDigits),
          hours,
          rate,
          stage: known ?? null,
          costCode: cell('cost_code').slice(0, 40) || null,
          supplier: cell('supplier').slice(0, 200),
        },
      };
    } catch (error) {
      if (error instanceof RowError) return { row, wrong: error.message };
      throw error;
    }
  });
}

function amountOf(text: string | null, minorDigits: number): Amount {
  if (text === null) throw new RowError('The amount is missing.');
  try {
    return parseAmount(text, minorDigits);
  } catch {
    throw new RowError(`The amount has more than ${minorDigits} decimals.`);
  }
}
