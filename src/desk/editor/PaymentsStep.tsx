'use client';

import { ArrowDownOutlined, ArrowUpOutlined, DeleteOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { setSchedule } from '@/core/editing';
import { showAmount, showDecimal, writeAmount } from '@/core/number';
import { computeSchedule } from '@/core/schedule';
import type { ScheduleEntry } from '@/model';
import { Track } from '@/ui/Track';
import { Cell } from './sheet/Cell';
import { Due } from './Due';
import { readMoney, readPercent } from './price/typed';
import { newPartId, useEditor } from './context';

const shareKind = ({ share }: ScheduleEntry) =>
  'percent' in share ? 'percent' : 'amount' in share ? 'amount' : 'rest';

/** When money is due: deposit, stages, final. Adds up to the total at every moment, whatever the customer picks. */
export function PaymentsStep() {
  const { work, figures, readOnly } = useEditor();
  const entries = work.document.schedule;
  const { payments, problems } = computeSchedule(entries, figures.total, figures.minorDigits);
  const put = (next: readonly ScheduleEntry[]) => work.edit((draft) => setSchedule(draft, next));
  const change = (i: number, next: Partial<ScheduleEntry>) =>
    put(entries.map((entry, at) => (at === i ? { ...entry, ...next } : entry)));
  const move = (i: number, by: number) => {
    const next = [...entries];
    const [entry] = next.splice(i, 1);
    next.splice(i + by, 0, entry!);
    put(next);
  };
  const add = () => {
    const stage: ScheduleEntry = {
      id: newPartId(),
      name: 'New stage',
      kind: 'stage',
      share: { percent: '10' },
      due: { on: 'stage', stage: 'New stage' },
    };
    const before = entries.findIndex(({ kind }) => kind === 'final');
    put(before < 0 ? [...entries, stage] : [...entries.slice(0, before), stage, ...entries.slice(before)]);
  };
  const money = (value: bigint) => writeAmount(value as never, figures.minorDigits);
  return (
    <div className="step">
      <Track
        named
        height={18}
        parts={payments.map(({ entry, amount }) => ({
          id: entry.id,
          name: entry.name,
          amount: money(amount),
        }))}
      />
      {problems.map((problem) => (
        <p key={problem} className="wrong" role="alert">
          {problem}
        </p>
      ))}
      <table className="table-plain step-table">
        <thead>
          <tr>
            <th>Payment</th>
            <th>Kind</th>
            <th colSpan={2}>Share</th>
            <th>Due</th>
            <th className="amount">Amount</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {entries.map((entry, i) => (
            <tr key={entry.id}>
              <td>
                <Cell
                  name="payment"
                  label="Payment"
                  shown={entry.name}
                  readOnly={readOnly}
                  commit={(text) =>
                    text.trim() &&
                    change(i, {
                      name: text.trim(),
                      ...(entry.due.on === 'stage' && entry.due.stage === entry.name
                        ? { due: { on: 'stage', stage: text.trim() } }
                        : {}),
                    })
                  }
                />
              </td>
              <td>
                <Select
                  size="small"
                  disabled={readOnly}
                  aria-label={`Kind of ${entry.name}`}
                  value={entry.kind}
                  onChange={(kind) => change(i, { kind })}
                  options={[
                    { value: 'deposit', label: 'Deposit' },
                    { value: 'stage', label: 'Stage' },
                    { value: 'final', label: 'Final' },
                  ]}
                />
              </td>
              <td className="cell-narrow">
                {'rest' in entry.share ? null : (
                  <Cell
                    name="share"
                    label={`Share of ${entry.name}`}
                    align="right"
                    shown={'percent' in entry.share ? entry.share.percent : showDecimal(entry.share.amount)}
                    readOnly={readOnly}
                    commit={(text) =>
                      change(i, {
                        share:
                          'percent' in entry.share
                            ? { percent: readPercent(text, 100) }
                            : { amount: readMoney(text, figures.minorDigits) },
                      })
                    }
                  />
                )}
              </td>
              <td>
                <Select
                  size="small"
                  disabled={readOnly}
                  aria-label={`How ${entry.name} is reckoned`}
                  value={shareKind(entry)}
                  onChange={(kind) => {
                    if (kind === 'rest') {
                      // Only one payment takes the rest: the one that did keeps the amount it has now.
                      put(
                        entries.map((each, at) =>
                          at === i
                            ? { ...each, share: { rest: true } }
                            : 'rest' in each.share
                              ? { ...each, share: { amount: money(payments[at]!.amount) } }
                              : each,
                        ),
                      );
                    } else
                      change(i, {
                        share:
                          kind === 'percent'
                            ? { percent: '10' }
                            : { amount: money(payments[i]!.amount > 0n ? payments[i]!.amount : 0n) },
                      });
                  }}
                  options={[
                    { value: 'percent', label: '% of the total' },
                    { value: 'amount', label: work.document.currency },
                    { value: 'rest', label: 'the rest' },
                  ]}
                />
              </td>
              <td>
                <Due entry={entry} readOnly={readOnly} change={(due) => change(i, { due })} />
              </td>
              <td className="amount">{showAmount(payments[i]!.amount, figures.minorDigits)}</td>
              <td className="nowrap">
                {!readOnly && (
                  <>
                    <Button
                      size="small"
                      type="text"
                      aria-label={`Move ${entry.name} up`}
                      disabled={i === 0}
                      icon={<ArrowUpOutlined />}
                      onClick={() => move(i, -1)}
                    />
                    <Button
                      size="small"
                      type="text"
                      aria-label={`Move ${entry.name} down`}
                      disabled={i === entries.length - 1}
                      icon={<ArrowDownOutlined />}
                      onClick={() => move(i, 1)}
                    />
                    <Button
                      size="small"
                      type="text"
                      danger
                      aria-label={`Remove ${entry.name}`}
                      icon={<DeleteOutlined />}
                      onClick={() => put(entries.filter((_, at) => at !== i))}
                    />
                  </>
                )}
              </td>
            </tr>
          ))}
          <tr>
            <td colSpan={5}>
              <strong>Total</strong>
            </td>
            <td className="amount">
              <strong>{showAmount(figures.total, figures.minorDigits)}</strong>
            </td>
            <td />
          </tr>
        </tbody>
      </table>
      {!readOnly && <Button onClick={add}>Add a stage</Button>}
      <p className="soft">
        Amounts are for the choices as suggested; the customer sees them follow every choice they make.
      </p>
    </div>
  );
}
