import type { Line, ProposalDocument, SectionEntry } from '@/model';
import { unitName } from '@/model';
import { minorDigits, writeAmount, writeFixed } from '../number';
import type { BundleFigures, SectionLine } from '../price';
import { costInAll } from '../price';

/** Text as a cell: never taken for a formula, in quotes where it holds what sets cells apart. */
function textCell(text: string): string {
  const plain = /^[=+\-@]/.test(text) ? `'${text}` : text;
  return /["\t\r\n]/.test(plain) ? `"${plain.replace(/"/g, '""')}"` : plain;
}

/** A quantity as a cell: typed as arithmetic, a formula that the spreadsheet computes again; else the number. */
function quantityCell(value: string, typed: string | undefined): string {
  const arithmetic = typed !== undefined && /^[\d.+*/()\s-]+$/.test(typed) && /[+*/-]/.test(typed);
  return arithmetic ? `=${typed.replace(/\s+/g, '')}` : value;
}

interface Row {
  readonly code: string;
  readonly words: string;
  readonly quantity: string;
  readonly unit: string;
  readonly cost: string;
  readonly price: string;
  readonly amount: string;
}

/** The figures of a proposal’s lines and bundles, by their ids. */
export interface CopiedFigures {
  readonly lines: ReadonlyMap<string, SectionLine>;
  readonly bundles: ReadonlyMap<string, BundleFigures>;
}

function lineRow(line: Line, figures: SectionLine | undefined, digits: number): Row {
  return {
    code: line.code ?? '',
    words: line.description,
    quantity: quantityCell(figures ? writeFixed(figures.quantity) : line.quantity, line.quantityTyped),
    unit: unitName(line.unit),
    cost: figures ? writeFixed(costInAll(figures)) : '',
    price: figures ? writeFixed(figures.unitPrice) : '',
    amount: figures ? writeAmount(figures.net, digits) : '',
  };
}

/**
 * Copied entries as a table any spreadsheet takes: tab-separated, a heading first. A quantity typed as arithmetic stands as
 * a formula. A bundle is one row; a question has a row for each line of its alternatives, with what it asks before it.
 * @param costs whether our unit costs have a column: only where the sheet shows them
 * @returns the rows; unit costs and unit prices to four places at most; amounts as the sheet has them, less what is taken off
 * the line or bundle, in the decimals of the currency
 */
export function copiedTable(
  document: Pick<ProposalDocument, 'currency'>,
  entries: readonly SectionEntry[],
  { lines, bundles }: CopiedFigures,
  { costs }: { readonly costs: boolean },
): string {
  const digits = minorDigits(document.currency);
  const rowsOf = (entry: SectionEntry): Row[] => {
    if (entry.kind === 'question')
      return entry.alternatives.flatMap((each) =>
        each.lines.flatMap(rowsOf).map((row) => ({ ...row, words: `${entry.prompt}: ${row.words}` })),
      );
    if (entry.kind === 'line') return [lineRow(entry, lines.get(entry.id), digits)];
    const figures = bundles.get(entry.id);
    return [
      {
        code: entry.code ?? '',
        words: figures?.sized.name ?? entry.name,
        quantity: '1',
        unit: unitName('set'),
        cost: figures ? writeAmount(figures.cost, digits) : '',
        price: figures ? writeAmount(figures.gross, digits) : '',
        amount: figures ? writeAmount(figures.net, digits) : '',
      },
    ];
  };
  const cost = (text: string) => (costs ? [text] : []);
  return [
    ['Code', 'Description', 'Quantity', 'Unit', ...cost('Unit cost'), 'Unit price', 'Amount'],
    ...entries
      .flatMap(rowsOf)
      .map((row) => [
        textCell(row.code),
        textCell(row.words),
        row.quantity,
        row.unit,
        ...cost(row.cost),
        row.price,
        row.amount,
      ]),
  ]
    .map((cells) => cells.join('\t'))
    .join('\n');
}
