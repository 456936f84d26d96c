'use client';

import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { WorkRow } from '@/core/billing';
import { sumOfRows, workGroups } from '@/core/billing';
import type { BillRowsProps } from './BillRows';
import { Group } from './Group';
import { SumCells } from './SumCells';

/** The parts of an agreement: what was signed first, then each change order. */
function partsOf({ lines }: ProgressBilling) {
  const changes = [
    ...new Map(
      Object.values(lines).flatMap(({ change }) => (change ? [[change.number, change] as const] : [])),
    ).values(),
  ].sort((a, b) => a.number - b.number);
  return [
    { name: changes.length > 0 ? 'Original agreement' : '', number: null as number | null },
    ...changes.map(({ number, title }) => ({ name: title, number: number as number | null })),
  ];
}

/**
 * Every agreed line: type a percent, a quantity or an amount, and the others follow; the same for a bundle, a section or
 * stage, a part of the agreement and all of the work. Change orders stand apart.
 */
export function Rows({
  rows,
  by,
  folded,
  ...shared
}: BillRowsProps & {
  readonly rows: readonly WorkRow[];
  readonly by: 'section' | 'stage';
  readonly folded: boolean;
}) {
  const { work } = shared;
  const nameOf = ({ sectionTitle, stage }: WorkRow['line']) =>
    by === 'section' ? sectionTitle : (stage ?? 'In no stage');
  return (
    <table className="table-plain bill-table" aria-label="Work">
      <thead>
        <tr>
          <th>
            <span className="visually-hidden">Select</span>
          </th>
          <th>Work</th>
          <th className="amount">Agreed</th>
          <th className="amount">Before</th>
          <th className="amount">This time</th>
          <th className="amount">To date %</th>
          <th className="amount">Quantity to date</th>
          <th className="amount">To date</th>
          <th className="amount">Left</th>
        </tr>
      </thead>
      {partsOf(work).map((part) => {
        const own = rows.filter(({ line }) => (work.lines[line.id]!.change?.number ?? null) === part.number);
        if (own.length === 0) return null;
        return (
          <tbody key={part.number ?? 'original'}>
            {part.name && (
              <tr className="bill-part">
                <td />
                <th scope="rowgroup">{part.name}</th>
                <SumCells name={part.name} rows={own} figures={sumOfRows(own)} {...shared} />
              </tr>
            )}
            {workGroups(own, nameOf).map((group) => (
              <Group
                key={`${group.name}${by}`}
                group={group}
                startFolded={folded && group.finished}
                {...shared}
              />
            ))}
          </tbody>
        );
      })}
      <tfoot>
        <tr className="bill-part">
          <td />
          <th scope="row">All work, net</th>
          <SumCells name="all work" rows={rows} figures={sumOfRows(rows)} {...shared} />
        </tr>
      </tfoot>
    </table>
  );
}
