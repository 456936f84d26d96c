import { CaretDownOutlined, CaretRightOutlined } from '@ant-design/icons';
import { Fragment, useState } from 'react';
import type { WorkGroup, WorkRow } from '@/core/billing';
import { sumOfRows } from '@/core/billing';
import type { BillRowsProps } from './BillRows';
import { Row } from './Row';
import { SelectRows } from './SelectRows';
import { SumCells } from './SumCells';

/** Rows in their order; those of one bundle that stand together are one. */
function byBundle(rows: readonly WorkRow[], lines: BillRowsProps['work']['lines']) {
  const parts: { bundle: { id: string; name: string } | null; rows: WorkRow[] }[] = [];
  for (const row of rows) {
    const { bundle } = lines[row.line.id]!;
    const last = parts.at(-1);
    if (bundle && last?.bundle?.id === bundle.id) last.rows.push(row);
    else parts.push({ bundle, rows: [row] });
  }
  return parts;
}

function Fold({
  name,
  folded,
  turn,
}: {
  readonly name: string;
  readonly folded: boolean;
  readonly turn: () => void;
}) {
  return (
    <button type="button" className="bill-fold" aria-expanded={!folded} onClick={turn}>
      {folded ? <CaretRightOutlined aria-hidden /> : <CaretDownOutlined aria-hidden />} {name}
    </button>
  );
}

/** A bundle as one row that bills its parts, with the parts below it. */
function BundleRows({
  name,
  rows,
  startFolded,
  ...shared
}: BillRowsProps & {
  readonly name: string;
  readonly rows: readonly WorkRow[];
  readonly startFolded: boolean;
}) {
  const [shut, setShut] = useState<boolean | null>(null);
  const folded = shut ?? startFolded;
  const figures = sumOfRows(rows);
  return (
    <>
      <tr className={figures.now === 0n ? 'bill-bundle' : 'bill-bundle bill-now'}>
        <td>
          <SelectRows name={name} rows={rows} {...shared} />
        </td>
        <td>
          <Fold name={name} folded={folded} turn={() => setShut(!folded)} />
          <span className="soft"> · {rows.length} parts</span>
        </td>
        <SumCells name={name} rows={rows} figures={figures} {...shared} />
      </tr>
      {!folded && rows.map((row) => <Row key={row.line.id} row={row} inner {...shared} />)}
    </>
  );
}

/** A section or stage: its sums, which bill all of it, and its rows. */
export function Group({
  group,
  startFolded,
  ...shared
}: BillRowsProps & { readonly group: WorkGroup; readonly startFolded: boolean }) {
  const { work } = shared;
  const [shut, setShut] = useState<boolean | null>(null);
  const folded = shut ?? startFolded;
  const stage = work.stages.find(({ name }) => name === group.name);
  return (
    <Fragment>
      <tr className="section-row">
        <td>
          <SelectRows name={group.name} rows={group.rows} {...shared} />
        </td>
        <td>
          <Fold name={group.name} folded={folded} turn={() => setShut(!folded)} />
          {group.finished && <span className="soft"> · billed in full</span>}
          {stage?.doneOn && !group.finished && <span className="soft"> · done</span>}
        </td>
        <SumCells name={group.name} rows={group.rows} figures={group} {...shared} />
      </tr>
      {!folded &&
        byBundle(group.rows, work.lines).map(({ bundle, rows }) =>
          bundle && rows.length > 1 ? (
            <BundleRows
              key={`${bundle.id} ${rows[0]!.line.id}`}
              name={bundle.name}
              rows={rows}
              startFolded={rows.every(({ finished }) => finished)}
              {...shared}
            />
          ) : (
            rows.map((row) => <Row key={row.line.id} row={row} inner={false} {...shared} />)
          ),
        )}
    </Fragment>
  );
}
