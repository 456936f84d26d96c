import type { DragEndEvent } from '@dnd-kit/core';
import { DndContext, PointerSensor, closestCenter, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { showAmount } from '@/core/number';
import { useEditor } from '../context';
import { EntryRow } from './EntryRow';
import type { usePayments } from './usePayments';

/** The payments in their order, each with what it comes to; dragged, or moved by arrows. */
export function PaymentsTable({
  work: { entries, payments, change, setShare, move, remove },
}: {
  readonly work: ReturnType<typeof usePayments>;
}) {
  const { work, figures, readOnly } = useEditor();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const at = (id: unknown) => entries.findIndex((entry) => entry.id === id);
    move(at(active.id), at(over.id));
  };
  return (
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
                move={(by) => move(i, i + by)}
                remove={() => remove(i)}
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
  );
}
