import { PHONE, TABLET } from '@/ui/screen/useScreenWidth';
import { showAmount, showUnitAmount } from '@/core/number';
import type { Figures } from '@/core/price';

/** Columns of the sheet between the unit and the amount; description, quantity, unit and amount always stand. */
export const optionalColumns = {
  section: 'Section',
  code: 'Code',
  costCode: 'Cost code',
  hours: 'Hours',
  expected: 'Expected',
  cost: 'Cost',
  price: 'Price',
  margin: 'Margin',
  room: 'Room',
  phase: 'Phase',
} as const;
export type Column = keyof typeof optionalColumns;

const order = Object.keys(optionalColumns) as Column[];
export const usualColumns: readonly Column[] = ['cost', 'price'];

/** The columns a person chose, in the order they stand; the usual ones where nothing was chosen. */
export function columnsOf(chosen: readonly string[] | undefined): readonly Column[] {
  return chosen ? order.filter((column) => chosen.includes(column)) : usualColumns;
}

/** Columns that say what something costs, or lets be seen. */
const ofCost: readonly Column[] = ['cost', 'margin', 'hours'];

/** The columns for who sees prices and no cost. */
export const withoutCostColumns = (columns: readonly Column[]): readonly Column[] =>
  columns.filter((column) => !ofCost.includes(column));

/** With one column more or less. */
export const withColumn = (columns: readonly Column[], column: Column): readonly Column[] =>
  order.filter((each) => (each === column ? !columns.includes(each) : columns.includes(each)));

const wide: Readonly<Record<Column, number>> = {
  section: 110,
  code: 76,
  costCode: 76,
  hours: 66,
  expected: 82,
  cost: 82,
  price: 82,
  margin: 66,
  room: 96,
  phase: 96,
};
/** What always stands: a description that can be read, quantity, unit, amount and both ends, in pixels. */
const ALWAYS = 540;

/** How much wider than usual columns are for figures that are longer, in pixels. */
export interface Wider {
  readonly cost: number;
  readonly price: number;
  readonly amount: number;
}

const usual: Wider = { cost: 0, price: 0, amount: 0 };
const AMOUNT = 92;
/** A digit, and the room beside figures. */
const [DIGIT, BESIDE] = [8.4, 24];

/** What long figures take more than their columns have: nothing is cut, the sheet scrolls sideways. */
export function widerFor(figures: Figures): Wider {
  let [cost, price, amount] = [0, 0, 0];
  for (const { net, lines } of figures.sections) {
    amount = Math.max(amount, showAmount(net, figures.minorDigits).length);
    for (const line of lines) {
      cost = Math.max(cost, showUnitAmount(line.cost.total).length);
      price = Math.max(price, showUnitAmount(line.unitPrice).length);
      amount = Math.max(amount, showAmount(line.gross, figures.minorDigits).length);
    }
  }
  const more = (digits: number, usual: number) => Math.max(0, Math.ceil(digits * DIGIT + BESIDE) - usual);
  return { cost: more(cost, wide.cost), price: more(price, wide.price), amount: more(amount, AMOUNT) };
}

/** How wide the sheet is at least, in pixels; a narrower screen scrolls it sideways. */
export const leastWidth = (columns: readonly Column[], wider: Wider = usual): number =>
  columns.reduce((sum, column) => sum + widthOf(column, wider), ALWAYS + wider.amount);

export const widthOf = (column: Column, wider: Wider): number =>
  wide[column] + (column === 'cost' || column === 'price' ? wider[column] : 0);

/** The width of the column of amounts. */
export const amountWidth = (wider: Wider): number => AMOUNT + wider.amount;

/** The rail stands beside the sheet on a tablet too; in pixels. */
const RAIL = 76;

/** Which column gives way first, where there is no room for all. */
const givesWay: readonly Column[] = [
  'section',
  'phase',
  'room',
  'margin',
  'expected',
  'costCode',
  'hours',
  'price',
  'code',
  'cost',
];

/**
 * Of the columns a person chose, those a screen has room for. A tablet shows no sheet that scrolls sideways: columns give way
 * one after the other, the description stays. A wider screen shows them all; a phone none, its rows are cards.
 *
 * @param width of the screen, in CSS pixels
 */
export function fittingColumns(columns: readonly Column[], wider: Wider, width: number): readonly Column[] {
  if (width > TABLET) return columns;
  if (width <= PHONE) return [];
  let left = columns;
  for (const column of givesWay) {
    if (leastWidth(left, wider) <= width - RAIL) break;
    left = left.filter((each) => each !== column);
  }
  return left;
}
