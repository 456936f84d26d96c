'use client';

import type { DragEndEvent } from '@dnd-kit/core';
import { DndContext, PointerSensor, closestCenter, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, arrayMove, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Button, Select } from 'antd';
import { setBilling, setSchedule } from '@/core/editing';
import { moneyOf, parseAmount, showAmount } from '@/core/number';
import { computeSchedule } from '@/core/schedule';
import type { CompanyMoney, ScheduleEntry } from '@/model';
import { Track } from '@/ui/Track';
import { newPartId, useEditor } from '../context';
import type { ShareKind } from './EntryRow';
import { EntryRow } from './EntryRow';
import { Law } from './Law';
import { StagesPanel } from './StagesPanel';
import { TermsPanel } from './TermsPanel';

/** When money is due: deposit, stages, final. Adds up to the total at every moment, whatever the customer picks. */
export function PaymentsStep({ money: ours }: { money: CompanyMoney }) {
  const { work, figures, readOnly } = useEditor();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const entries = work.document.schedule;
  const { payments, problems } = computeSchedule(entries, figures.total, figures.minorDigits);
  const put = (next: readonly ScheduleEntry[]) => work.edit((draft) => setSchedule(draft, next));
  const change = (i: number, next: Partial<ScheduleEntry>) =>
    put(entries.map((entry, at) => (at === i ? { ...entry, ...next } : entry)));
  const money = moneyOf(figures.minorDigits);
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const at = (id: unknown) => entries.findIndex((entry) => entry.id === id);
    put(arrayMove([...entries], at(active.id), at(over.id)));
  };
  const setShare = (i: number, kind: ShareKind) => {
    if (kind !== 'rest') {
      const amount = payments[i]!.amount > 0n ? payments[i]!.amount : 0n;
      change(i, { share: kind === 'percent' ? { percent: '10' } : { amount: money.write(amount) } });
      return;
    }
    // Only one payment takes the rest: the one that did keeps the amount it has now.
    put(
      entries.map((each, at) =>
        at === i
          ? { ...each, share: { rest: true } }
          : 'rest' in each.share
            ? { ...each, share: { amount: money.write(payments[at]!.amount) } }
            : each,
      ),
    );
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
  // Those for jobs of this size come first, the smallest that fits before the others.
  const fits = (upTo: string | undefined) =>
    upTo === undefined || parseAmount(upTo, figures.minorDigits) >= figures.total;
  const presets = [...ours.presets].sort((a, b) => Number(fits(b.upTo)) - Number(fits(a.upTo)));
  const take = (id: string) => {
    const preset = ours.presets.find((each) => each.id === id)!;
    work.edit((draft) => {
      setSchedule(
        draft,
        preset.schedule.map((entry) => ({ ...entry, id: newPartId() })),
      );
      if (preset.billing) setBilling(draft, preset.billing);
    });
  };
  return (
    <div className="step">
      <Track
        named
        height={18}
        parts={payments.map(({ entry, amount }) => ({
          id: entry.id,
          name: entry.name,
          amount: money.write(amount),
        }))}
      />
      {problems.map((problem) => (
        <p key={problem} className="wrong" role="alert">
          {problem}
        </p>
      ))}
      <Law money={ours} payments={payments} total={figures.total} minorDigits={figures.minorDigits} />
      <DndContext id="payments" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
        <SortableContext items={entries.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
          <table className="table-plain step-table payments-table">
            <thead>
              <tr>
                <th />
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
                <EntryRow
                  key={entry.id}
                  entry={entry}
                  amount={payments[i]!.amount}
                  minorDigits={figures.minorDigits}
                  currency={work.document.currency}
                  readOnly={readOnly}
                  first={i === 0}
                  last={i === entries.length - 1}
                  change={(next) => change(i, next)}
                  setShare={(kind) => setShare(i, kind)}
                  move={(by) => put(arrayMove([...entries], i, i + by))}
                  remove={() => put(entries.filter((_, at) => at !== i))}
                />
              ))}
              <tr>
                <td />
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
        </SortableContext>
      </DndContext>
      {!readOnly && (
        <div className="payments-acts">
          <Button onClick={add}>Add a stage</Button>
          {presets.length > 0 && (
            <Select
              aria-label="Use a saved schedule"
              placeholder="Use a saved schedule"
              value={null}
              className="wide-name"
              onChange={(id: string | null) => id && take(id)}
              options={presets.map(({ id, name, upTo }) => ({
                value: id,
                label: upTo === undefined ? name : `${name} (up to ${upTo})`,
              }))}
            />
          )}
        </div>
      )}
      <TermsPanel />
      <StagesPanel />
      <p className="soft">
        Amounts are for the choices as suggested; the customer sees them follow every choice they make.
      </p>
    </div>
  );
}
