import type { ReactElement } from 'react';
import type { InvoicePaper, PaperLayout, PaperSum } from '../invoicePaper';
import type { StatementColumns } from '../statementPaper';
import { WorkHead, WorkLine } from './workTable';

const columnsOf = ({ net, ...columns }: Omit<PaperSum, 'name'>): StatementColumns => ({
  ...columns,
  now: net,
});

/** A row, and how high it will about be, in points. */
interface SetRow {
  readonly row: ReactElement;
  readonly height: number;
}

/** A letter is about so wide, in points. */
const LETTER = 5.4;

/** How high a row is whose words stand beside its figures. */
function heightOf(texts: readonly (string | null)[], balance: boolean): number {
  const width = balance ? 138 : 244;
  const lines = texts.filter((text) => text).map((text) => Math.ceil((text!.length * LETTER) / width));
  return 6 + 14.5 * lines.reduce((sum, each) => sum + each, 0);
}

const summaryNames = { section: 'Work by section', stage: 'Work by stage', kind: 'Work by kind' } as const;

/** All work of the agreement in sum: by section, stage or kind. */
export const summaryRows = ({ groups, whole }: NonNullable<PaperLayout['summary']>): SetRow[] => [
  ...groups.map((group) => ({
    row: <WorkLine key={group.name} name={group.name} columns={columnsOf(group)} whole />,
    height: heightOf([group.name], true),
  })),
  {
    row: <WorkLine key="whole" name={whole.name} columns={columnsOf(whole)} look="sum" />,
    height: heightOf([whole.name], true),
  },
];

/** What is billed, row by row. A group of several rows has its name and sums before them; of one, its name below it. */
export function workRowsOf({ balance, groups }: PaperLayout): SetRow[] {
  return groups.flatMap(({ lines, ...group }) => [
    ...(lines.length > 1
      ? [
          {
            row: (
              <WorkLine
                key={`group ${group.name}`}
                name={group.name}
                columns={columnsOf(group)}
                look="sum"
                balance={balance}
                whole
              />
            ),
            height: heightOf([group.name], balance),
          },
        ]
      : []),
    ...lines.map((line) => {
      const detail = [line.code, lines.length > 1 ? null : group.name].filter(Boolean).join(' · ');
      return {
        row: (
          <WorkLine
            key={line.id}
            name={line.description}
            detail={detail}
            columns={columnsOf(line)}
            balance={balance}
            whole
          />
        ),
        height: heightOf([line.description, detail], balance),
      };
    }),
  ]);
}

/**
 * Rows cut into pages. A page that is far too long is cut by the library that sets it, which takes many times as long and
 * gives up at some hundreds of rows; one that is a little too long it cuts well.
 * @param first room on the first page, in points
 * @param next room on each page after it
 */
export function cutIntoPages(
  rows: readonly SetRow[],
  first: number,
  next: number,
): (readonly ReactElement[])[] {
  const pages: ReactElement[][] = [[]];
  let left = first;
  for (const { row, height } of rows) {
    if (height > left && pages.at(-1)!.length > 0) {
      pages.push([]);
      left = next;
    }
    pages.at(-1)!.push(row);
    left -= height;
  }
  return pages;
}

/** The head of the work on each page. */
export function HeadOfWork({ paper, summary }: { paper: InvoicePaper; summary: boolean }) {
  const { layout, kind } = paper;
  return (
    <WorkHead
      isCredit={kind === 'credit note'}
      {...(summary && layout.summary ? { name: `${summaryNames[layout.summary.by]}, net` } : {})}
      balance={summary || layout.balance}
    />
  );
}
