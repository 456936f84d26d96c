/** More rows than that are a database, not a list. */
export const MOST_ROWS = 200_000;
export const MOST_COLUMNS = 200;

/** A list as it was read from a file. */
export interface Table {
  readonly headings: readonly string[];
  readonly rows: readonly {
    /** Its number in the file, from 1; the heading has one too. */
    readonly row: number;
    readonly cells: readonly string[];
    readonly trouble?: string;
  }[];
  /** What was strange about the file, in sentences. */
  readonly remarks: readonly string[];
}

/** The file is no list that can be read, with a sentence. */
export class TableError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'TableError';
  }
}

/** Makes a table of raw rows: the first that is not empty is the heading; ragged rows carry their trouble. */
export function tableOf(
  raw: readonly { readonly row: number; readonly cells: readonly string[] }[],
  remarks: readonly string[],
): Table {
  const filled = raw.filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const [head, ...rest] = filled;
  if (!head) throw new TableError('There is nothing in this file.');
  if (rest.length === 0) throw new TableError('There is a heading, but no row below it.');
  // Empty columns at the right, as spreadsheets leave them, are no columns.
  let width = head.cells.length;
  while (width > 1 && head.cells[width - 1]!.trim() === '') width -= 1;
  if (width < 2)
    throw new TableError('There is only one column. Is the divider a comma, a semicolon or a tab?');
  const headings = head.cells.slice(0, width).map((heading) => heading.trim());
  const rows = rest.map(({ row, cells }) => {
    const over = cells.slice(width).some((cell) => cell.trim() !== '');
    if (over)
      return {
        row,
        cells,
        trouble: `The row has ${cells.length} cells, the heading ${width}. Is a quote missing?`,
      };
    // Short rows are common: what is not there is empty.
    return { row, cells: Array.from({ length: width }, (_, i) => cells[i] ?? '') };
  });
  return { headings, rows, remarks };
}
