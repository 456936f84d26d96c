import { App, Input } from 'antd';
import type { ReactNode } from 'react';
import { useState } from 'react';
import type { Job } from '@/services/jobCosting/jobReport';
import { isBelowZero, isNothing, minorDigits, showDecimal } from '@/core/number';
import { parseMoneyInput } from '@/core/quantity';
import type { JobActions } from './jobActions';
import { useSubmit } from '@/ui/useSubmit';
import { PlainTable } from '@/ui/tables/PlainTable';

type Row = Job['stages'][number];

/** What a stage will still cost: typed, or what is left of its budget. Enter or leaving the field keeps it. */
function ToCome({ row, job, save }: { row: Row; job: Job; save: JobActions['saveToCome'] }) {
  const { message } = App.useApp();
  const { submit } = useSubmit({ tells: true });
  const [text, setText] = useState(row.reckoned ?? '');
  const keep = async () => {
    let plain: string;
    try {
      plain = text.trim() === '' ? '' : parseMoneyInput(text, minorDigits(job.currency));
    } catch (error) {
      void message.error(`${row.name}: ${(error as Error).message}`);
      return;
    }
    if (plain === (row.reckoned ?? '')) return;
    await submit(() => save({ agreementId: job.id, stage: row.name, toCome: plain === '' ? null : plain }));
  };
  return (
    <Input
      size="small"
      className="to-come"
      inputMode="decimal"
      aria-label={`Still to come: ${row.name}`}
      placeholder={showDecimal(row.toCome)}
      value={text}
      onChange={({ target }) => setText(target.value)}
      onBlur={() => void keep()}
      onPressEnter={() => void keep()}
    />
  );
}

const amount = (text: string) => (isNothing(text) ? '' : showDecimal(text));

/** What is beyond zero on the wrong side is told apart. */
const Judged = ({ value, wrong }: { readonly value: string; readonly wrong: boolean }) => (
  <span className={wrong ? 'wrong' : ''}>{amount(value)}</span>
);
const isOver = (text: string) => !isBelowZero(text) && !isNothing(text);

/** Columns whose cells the row of sums has too. */
const figures: readonly {
  readonly key: string;
  readonly title: string;
  readonly className?: string;
  readonly cell: (row: Row | Job['total']) => ReactNode;
}[] = [
  { key: 'agreed', title: 'Agreed', cell: (row) => amount(row.agreed) },
  { key: 'complete', title: 'Complete', cell: (row) => `${row.complete} %` },
  { key: 'earned', title: 'Earned', cell: (row) => amount(row.earned) },
  { key: 'billed', title: 'Billed', cell: (row) => amount(row.billed) },
  {
    key: 'overBilled',
    title: 'Over/underbilled',
    cell: ({ overBilled }) => <Judged value={overBilled} wrong={isBelowZero(overBilled)} />,
  },
  { key: 'budget', title: 'Budget', className: 'job-split', cell: (row) => amount(row.budget) },
  { key: 'cost', title: 'Cost', cell: (row) => amount(row.cost) },
  { key: 'toCome', title: 'To come', cell: (row) => amount(row.toCome) },
  { key: 'over', title: 'Over budget', cell: ({ over }) => <Judged value={over} wrong={isOver(over)} /> },
  {
    key: 'profit',
    title: 'Profit',
    cell: ({ expectedProfit }) => <Judged value={expectedProfit} wrong={isBelowZero(expectedProfit)} />,
  },
];

/** By stage: agreed, earned and billed, budget and cost, and what is left over. */
export const StageTable = ({ job, save }: { job: Job; save: JobActions['saveToCome'] }) => (
  <PlainTable
    label="By stage"
    rows={job.stages}
    rowKey={({ name }) => name}
    columns={[
      {
        key: 'stage',
        title: 'Stage',
        cell: ({ name, done }) => (
          <>
            {name || 'no stage'}
            {done && <span className="soft"> · done</span>}
          </>
        ),
      },
      ...figures.map((column) => ({
        ...column,
        figure: true,
        cell: (row: Row) =>
          column.key === 'toCome' && row.named && !row.done && job.mayRecord ? (
            <ToCome key={row.toCome} row={row} job={job} save={save} />
          ) : (
            column.cell(row)
          ),
      })),
    ]}
    foot={[{ stage: 'All', ...Object.fromEntries(figures.map(({ key, cell }) => [key, cell(job.total)])) }]}
  />
);
