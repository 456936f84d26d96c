'use client';

import { HolderOutlined } from '@ant-design/icons';
import { useSortable } from '@dnd-kit/sortable';
import { Select } from 'antd';
import type { Amount } from '@/core/number';
import { showAmount, showDecimal } from '@/core/number';
import type { ShareKind } from '@/core/schedule';
import { renamedEntry, shareKindOf } from '@/core/schedule';
import type { ScheduleEntry } from '@/model';
import { parseMoneyInput, readPercent } from '@/core/quantity';
import { Cell } from '@/ui/live/Cell';
import { Due } from './Due';
import { EntryActs } from '@/ui/EntryActs';

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
          commit={(text) => text.trim() && change(renamedEntry(entry, text.trim()))}
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
          value={shareKindOf(entry)}
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
        {!readOnly && <EntryActs name={entry.name} first={first} last={last} move={move} remove={remove} />}
      </td>
    </tr>
  );
}
