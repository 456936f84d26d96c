/** Columns of the sheet between the unit and the amount; description, quantity, unit and amount always stand. */
export const optionalColumns = {
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

/** With one column more or less. */
export const withColumn = (columns: readonly Column[], column: Column): readonly Column[] =>
  order.filter((each) => (each === column ? !columns.includes(each) : columns.includes(each)));

const wide: Readonly<Record<Column, number>> = {
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

/** How wide the sheet is at least, in pixels; a narrower screen scrolls it sideways. */
export const leastWidth = (columns: readonly Column[]): number =>
  columns.reduce((sum, column) => sum + wide[column], ALWAYS);

export const widthOf = (column: Column): number => wide[column];
