'use client';

import { CaretDownOutlined, CaretRightOutlined } from '@ant-design/icons';
import { Fragment, useState } from 'react';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { WorkFigures, WorkGroup, WorkRow } from '@/core/billing';
import { asksUpTo, workGroups, sumOfRows } from '@/core/billing';
import { moneyOf, showPercent, showQuantity, writeFixed } from '@/core/number';
import { parseQuantity, parseSignedMoneyInput } from '@/core/quantity';
import type { LineAsk } from '@/model';
import { unitAfter } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { readPercent } from '@/core/quantity';

type ByLine = Extract<LineAsk, { line: string }>;

interface Props {
  readonly work: ProgressBilling;
  readonly rows: readonly WorkRow[];
  readonly by: 'section' | 'stage';
  readonly folded: boolean;
  readonly readOnly: boolean;
  readonly askLines: (asks: readonly ByLine[]) => void;
}

/** Every agreed line: type a percent, a quantity or an amount, and the others follow. Change orders stand apart. */
export function Rows({ work, rows, by, folded, readOnly, askLines }: Props) {
  const digits = work.ledger.minorDigits;
  const money = (value: bigint) => (value === 0n ? '' : moneyOf(digits).show(value));
  const changes = [
    ...new Map(
      Object.values(work.lines).flatMap(({ change }) => (change ? [[change.number, change] as const] : [])),
    ).values(),
  ].sort((a, b) => a.number - b.number);
  const parts = [
    { name: changes.length > 0 ? 'Original agreement' : '', number: null as number | null },
    ...changes.map(({ number, title }) => ({ name: title, number: number as number | null })),
  ];
  const nameOf = ({ sectionTitle, stage }: WorkRow['line']) =>
    by === 'section' ? sectionTitle : (stage ?? 'In no stage');
  return (
    <table className="table-plain bill-table" aria-label="Work">
      <thead>
        <tr>
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
      {parts.map((part) => {
        const own = rows.filter(({ line }) => (work.lines[line.id]!.change?.number ?? null) === part.number);
        if (own.length === 0) return null;
        return (
          <tbody key={part.number ?? 'original'}>
            {part.name && (
              <tr className="bill-part">
                <th scope="rowgroup">{part.name}</th>
                <Sums figures={sumOfRows(own)} money={money} />
              </tr>
            )}
            {workGroups(own, nameOf).map((group) => (
              <Group
                key={`${group.name}${by}`}
                group={group}
                work={work}
                startFolded={folded && group.finished}
                readOnly={readOnly}
                money={money}
                askLines={askLines}
              />
            ))}
          </tbody>
        );
      })}
      <tfoot>
        <tr className="bill-part">
          <th scope="row">All work, net</th>
          <Sums figures={sumOfRows(rows)} money={money} />
        </tr>
      </tfoot>
    </table>
  );
}

const percentOf = (share: WorkFigures['share']) =>
  share === null || share === 0n ? '' : showPercent(share, 2).replace(/\.?0+$/, '');

function Sums({ figures, money }: { figures: WorkFigures; money: (value: bigint) => string }) {
  return (
    <>
      <td className="amount">{money(figures.agreed)}</td>
      <td className="amount">{money(figures.before)}</td>
      <td className="amount">{money(figures.now)}</td>
      <td className="amount">{percentOf(figures.share)}</td>
      <td />
      <td className="amount">{money(figures.toDate)}</td>
      <td className="amount">{money(figures.left)}</td>
    </>
  );
}

function Group({
  group,
  work,
  startFolded,
  readOnly,
  money,
  askLines,
}: {
  group: WorkGroup;
  work: ProgressBilling;
  startFolded: boolean;
  readOnly: boolean;
  money: (value: bigint) => string;
  askLines: (asks: readonly ByLine[]) => void;
}) {
  const [shut, setShut] = useState<boolean | null>(null);
  const folded = shut ?? startFolded;
  const stage = work.stages.find(({ name }) => name === group.name);
  const putAll = (text: string) => askLines(asksUpTo(group.rows, readPercent(text, 100)));
  return (
    <Fragment>
      <tr className="section-row">
        <td>
          <button
            type="button"
            className="bill-fold"
            aria-expanded={!folded}
            onClick={() => setShut(!folded)}
          >
            {folded ? <CaretRightOutlined aria-hidden /> : <CaretDownOutlined aria-hidden />} {group.name}
          </button>
          {group.finished && <span className="soft"> · billed in full</span>}
          {stage?.doneOn && !group.finished && <span className="soft"> · done</span>}
        </td>
        <td className="amount">{money(group.agreed)}</td>
        <td className="amount">{money(group.before)}</td>
        <td className="amount">{money(group.now)}</td>
        <td className="cell-narrow">
          {!group.finished && (
            <Cell
              name="percent"
              label={`Percent to date of ${group.name}`}
              align="right"
              shown={percentOf(group.share)}
              readOnly={readOnly}
              commit={putAll}
            />
          )}
        </td>
        <td />
        <td className="amount">{money(group.toDate)}</td>
        <td className="amount">{money(group.left)}</td>
      </tr>
      {!folded &&
        group.rows.map((row) => (
          <Row
            key={row.line.id}
            row={row}
            work={work}
            readOnly={readOnly}
            money={money}
            askLines={askLines}
          />
        ))}
    </Fragment>
  );
}

function Row({
  row,
  work,
  readOnly,
  money,
  askLines,
}: {
  row: WorkRow;
  work: ProgressBilling;
  readOnly: boolean;
  money: (value: bigint) => string;
  askLines: (asks: readonly ByLine[]) => void;
}) {
  const { line } = row;
  const { unit, bundle } = work.lines[line.id]!;
  const digits = work.ledger.minorDigits;
  const fixed = readOnly || row.finished;
  const one = (to: ByLine['to']) => askLines([{ line: line.id, to }]);
  return (
    <tr className={row.now === 0n ? '' : 'bill-now'}>
      <td>
        {line.description}
        {bundle && <span className="soft"> · {bundle}</span>}
      </td>
      <td className="amount">{money(row.agreed)}</td>
      <td className="amount">{money(row.before)}</td>
      <td className="cell-narrow">
        {fixed ? (
          <span className="bill-fixed">{money(row.now)}</span>
        ) : (
          <Cell
            name="now"
            label={`Amount this time of ${line.description}`}
            align="right"
            shown={money(row.now)}
            commit={(text) =>
              one({
                amount: parseSignedMoneyInput(text.trim() || '0', digits),
              })
            }
          />
        )}
      </td>
      <td className="cell-narrow">
        {fixed ? (
          <span className="bill-fixed">{percentOf(row.share)}</span>
        ) : (
          <Cell
            name="percent"
            label={`Percent to date of ${line.description}`}
            align="right"
            shown={percentOf(row.share)}
            commit={(text) => one({ percent: readPercent(text, 100) })}
          />
        )}
      </td>
      <td className="cell-narrow bill-quantity">
        {fixed ? (
          <span className="bill-fixed">{row.quantity === 0n ? '' : showQuantity(row.quantity)}</span>
        ) : (
          <Cell
            name="quantity"
            label={`Quantity to date of ${line.description}`}
            align="right"
            shown={row.quantity === 0n ? '' : showQuantity(round3(row.quantity))}
            commit={(text) => one({ quantity: writeFixed(parseQuantity(text.trim() || '0')) })}
          />
        )}
        <span className="soft bill-of">
          of {showQuantity(line.quantity)} {unitAfter(writeFixed(line.quantity), unit)}
        </span>
      </td>
      <td className="amount">{money(row.toDate)}</td>
      <td className="amount">{money(row.left)}</td>
    </tr>
  );
}

const round3 = (value: WorkRow['quantity']) => parseQuantity(writeFixed(value), 3);
