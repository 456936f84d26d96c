import { App, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Job } from '@/services/jobCosting/jobReport';
import { isBelowZero, isNothing, minorDigits, showDecimal } from '@/core/number';
import { parseMoneyInput } from '@/core/quantity';
import type { JobActions } from './jobActions';
import { asked } from '@/ui/asked';

type Row = Job['stages'][number];

/** What a stage will still cost: typed, or what is left of its budget. Enter or leaving the field keeps it. */
function ToCome({ row, job, save }: { row: Row; job: Job; save: JobActions['saveToCome'] }) {
  const { message } = App.useApp();
  const router = useRouter();
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
    const answer = await asked(
      save({
        agreementId: job.id,
        stage: row.name,
        toCome: plain === '' ? null : plain,
      }),
    );
    if (answer.ok) router.refresh();
    else void message.error(answer.problem.detail);
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

/** By stage: agreed, earned and billed, budget and cost, and what is left over. */
export function StageTable({ job, save }: { job: Job; save: JobActions['saveToCome'] }) {
  const cells = (row: Row | Job['total']) => (
    <>
      <td className="amount">{amount(row.agreed)}</td>
      <td className="amount">{row.complete} %</td>
      <td className="amount">{amount(row.earned)}</td>
      <td className="amount">{amount(row.billed)}</td>
      <td className={isBelowZero(row.overBilled) ? 'amount wrong' : 'amount'}>{amount(row.overBilled)}</td>
      <td className="amount job-split">{amount(row.budget)}</td>
      <td className="amount">{amount(row.cost)}</td>
    </>
  );
  const rest = (row: Row | Job['total']) => (
    <>
      <td className={!isBelowZero(row.over) && !isNothing(row.over) ? 'amount wrong' : 'amount'}>
        {amount(row.over)}
      </td>
      <td className={isBelowZero(row.expectedProfit) ? 'amount wrong' : 'amount'}>
        {amount(row.expectedProfit)}
      </td>
    </>
  );
  return (
    <div className="job-scroll">
      <table className="table-plain" aria-label="By stage">
        <thead>
          <tr>
            <th>Stage</th>
            <th className="amount">Agreed</th>
            <th className="amount">Complete</th>
            <th className="amount">Earned</th>
            <th className="amount">Billed</th>
            <th className="amount">Over/underbilled</th>
            <th className="amount job-split">Budget</th>
            <th className="amount">Cost</th>
            <th className="amount">To come</th>
            <th className="amount">Over budget</th>
            <th className="amount">Profit</th>
          </tr>
        </thead>
        <tbody>
          {job.stages.map((row) => (
            <tr key={row.name}>
              <td>
                {row.name || 'no stage'}
                {row.done && <span className="soft"> · done</span>}
              </td>
              {cells(row)}
              <td className="amount">
                {row.named && !row.done && job.mayRecord ? (
                  <ToCome key={row.toCome} row={row} job={job} save={save} />
                ) : (
                  amount(row.toCome)
                )}
              </td>
              {rest(row)}
            </tr>
          ))}
          <tr className="job-total">
            <td>All</td>
            {cells(job.total)}
            <td className="amount">{amount(job.total.toCome)}</td>
            {rest(job.total)}
          </tr>
        </tbody>
      </table>
    </div>
  );
}
