import type { Billed, BilledLine, Draw, WorkFigures } from '@/core/billing';
import { figuresOf, figuresOfBilled, gather, groupNameOf, sumOfRows, workByKind } from '@/core/billing';
import type { Amount } from '@/core/number';
import { moneyOf, parseAmount, showPercent } from '@/core/number';
import { capital } from '@/core/text/capital';
import { costTypeName } from '@/core/text/names';
import type { PaperLayout, PaperLine, PaperSum } from '@/formats/invoicePaper';
import { measureOf } from '@/formats/invoicePaper';
import type { StatementColumns } from '@/formats/statementPaper';
import type { CostType, InvoiceShows } from '@/model';

/** A line as the customer reads it, with the number of the change order it came by. */
interface PlacedLine {
  readonly line: BilledLine;
  readonly change: number | null;
}

function codesOf({ costCode, itemCode }: BilledLine, codes: InvoiceShows['codes']): string | null {
  const wanted = [
    ...((codes === 'item' || codes === 'both') && itemCode ? [`Item ${itemCode}`] : []),
    ...((codes === 'cost' || codes === 'both') && costCode ? [`Cost code ${costCode}`] : []),
  ];
  return wanted.length === 0 ? null : wanted.join(' · ');
}

/** Money of work as columns of a paper: decimal text, the percent as people read it. */
export const workColumns = ({ share, ...figures }: WorkFigures, digits: number): StatementColumns => {
  const { write } = moneyOf(digits);
  return {
    agreed: write(figures.agreed),
    before: write(figures.before),
    now: write(figures.now),
    toDate: write(figures.toDate),
    percent: share === null ? '' : showPercent(share, 1),
    left: write(figures.left),
  };
};

const written = (figures: WorkFigures, digits: number): Omit<PaperSum, 'name'> => {
  const { now: net, ...columns } = workColumns(figures, digits);
  return { ...columns, net };
};

/** A line as it stands on a paper. */
export function lineOf({ line, change }: PlacedLine, { codes }: InvoiceShows, digits: number): PaperLine {
  return {
    id: line.id,
    section: line.section,
    change,
    description: line.description,
    taxClass: line.taxClass,
    code: codesOf(line, codes),
    ...written(figuresOf(line), digits),
    measure: measureOf(line),
  };
}

const kindName = (kind: CostType | null): string =>
  kind === null ? 'Fees and other charges' : capital(costTypeName(kind));

interface ToLayOut {
  readonly shows: InvoiceShows;
  /** The rows that stand on it. */
  readonly rows: readonly PlacedLine[];
  /** Every line of the agreement. */
  readonly billed: readonly (Billed & {
    readonly change: number | null;
    readonly line: Billed['line'] & { readonly costs: Readonly<Partial<Record<CostType, string>>> };
  })[];
  /** Draws of the papers before, and of this one. */
  readonly before: readonly Draw[];
  readonly now: readonly Draw[];
  readonly digits: number;
}

function summaryOf({
  shows: { summary: by },
  billed,
  before,
  now,
  digits,
}: ToLayOut): PaperLayout['summary'] {
  if (by === undefined) return null;
  const whole = { name: 'All work, net', ...written(sumOfRows(billed.map(figuresOfBilled)), digits) };
  const costsOf = (costs: Readonly<Partial<Record<CostType, string>>>) =>
    Object.fromEntries(
      Object.entries(costs).map(([type, cost]) => [type, parseAmount(cost, digits)]),
    ) as Partial<Record<CostType, Amount>>;
  const groups =
    by === 'kind'
      ? workByKind(
          billed.map(({ line }) => ({ ...line, costs: costsOf(line.costs) })),
          before,
          now,
        ).map(({ kind, ...figures }) => ({ name: kindName(kind), figures }))
      : gather(
          billed.map((each) => ({ ...figuresOfBilled(each), each })),
          ({ each: { line, change } }) =>
            groupNameOf({ section: line.sectionTitle, stage: line.stage, change }, by),
        ).map(({ name, ...figures }) => ({ name, figures }));
  return { by, groups: groups.map(({ name, figures }) => ({ name, ...written(figures, digits) })), whole };
}

/** How the work stands on a paper: its summary, and the rows under their groups. */
export function layoutOf(given: ToLayOut): PaperLayout {
  const { shows, rows, digits } = given;
  const summary = summaryOf(given);
  // A paper says what it bills, in rows or in sum.
  const by = shows.rows === 'none' && summary === null ? 'section' : (shows.rows ?? 'section');
  const groups =
    by === 'none'
      ? []
      : gather(
          rows.map((row) => ({ ...figuresOf(row.line), row })),
          ({ row: { line, change } }) =>
            groupNameOf({ section: line.section, stage: line.stage, change }, by),
        );
  return {
    summary,
    groups: groups.map(({ name, rows: own, ...figures }) => ({
      name,
      ...written(figures, digits),
      lines: own.map(({ row }) => lineOf(row, shows, digits)),
    })),
    balance: shows.balance ?? false,
  };
}
