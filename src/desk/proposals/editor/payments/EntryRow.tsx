'use client';

import { ArrowDownOutlined, ArrowUpOutlined, DeleteOutlined, HolderOutlined } from '@ant-design/icons';
import { useSortable } from '@dnd-kit/sortable';
import { Button, Select } from 'antd';
import type { Amount } from '@/core/number';
import { showAmount, showDecimal } from '@/core/number';
import type { ScheduleEntry } from '@/model';
import { parseMoneyInput, readPercent } from '@/core/quantity';
import { Cell } from '@/ui/live/Cell';
import { Due } from './Due';

export type ShareKind = 'percent' | 'amount' | 'rest';

const shareKind = ({ share }: ScheduleEntry): ShareKind =>
  'percent' in share ? 'percent' : 'amount' in share ? 'amount' : 'rest';

interface Props {
  readonly entry: ScheduleEntry;
  readonly amount: Amount;
  readonly minorDigits: number;
  readonly currency: string;
  readonly readOnly: boolean;
  readonly first: boolean;
  readonly last: boolean;
  readonly change: (next: Partial<ScheduleEntry>) => void;
  readonly setShare: (kind: ShareKind) => void;
  readonly move: (by: 1 | -1) => void;
  readonly remove: () => void;
}

/** One payment of the schedule; it is dragged, or moved by its arrows. */
export function EntryRow(props: Props) {
  const { entry, amount, minorDigits, currency, readOnly, first, last, change, setShare, move, remove } =
    props;
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: entry.id,
    disabled: readOnly,
  });
  return (
    <tr
      ref={setNodeRef}
      style={{
        transform: transform ? `translateY(${transform.y}px)` : undefined,
        transition,
        opacity: isDragging ? 0.6 : 1,
      }}
    >
      <td className="grip-cell">
        {!readOnly && (
          <button
            type="button"
            className="grip"
            aria-label={`Drag ${entry.name}`}
            {...attributes}
            {...listeners}
          >
            <HolderOutlined aria-hidden />
          </button>
        )}
      </td>
      <td>
        <Cell
          name="payment"
          label="Payment"
          shown={entry.name}
          readOnly={readOnly}
          commit={(text) =>
            text.trim() &&
            change({
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
          onChange={(kind) => change({ kind })}
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
              change({
                share:
                  'percent' in entry.share
                    ? { percent: readPercent(text, 100) }
                    : { amount: parseMoneyInput(text, minorDigits) },
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
          onChange={(kind) => setShare(kind)}
          options={[
            { value: 'percent', label: '% of the total' },
            { value: 'amount', label: currency },
            { value: 'rest', label: 'the balance' },
          ]}
        />
      </td>
      <td>
        <Due entry={entry} readOnly={readOnly} change={(due) => change({ due })} />
      </td>
      <td className="amount">{showAmount(amount, minorDigits)}</td>
      <td className="nowrap">
        {!readOnly && (
          <>
            <Button
              size="small"
              type="text"
              aria-label={`Move ${entry.name} up`}
              disabled={first}
              icon={<ArrowUpOutlined />}
              onClick={() => move(-1)}
            />
            <Button
              size="small"
              type="text"
              aria-label={`Move ${entry.name} down`}
              disabled={last}
              icon={<ArrowDownOutlined />}
              onClick={() => move(1)}
            />
            <Button
              size="small"
              type="text"
              danger
              aria-label={`Remove ${entry.name}`}
              icon={<DeleteOutlined />}
              onClick={remove}
            />
          </>
        )}
      </td>
    </tr>
  );
}
