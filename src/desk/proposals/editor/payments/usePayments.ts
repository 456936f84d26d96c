import { arrayMove } from '@dnd-kit/sortable';
import { setBilling, setSchedule } from '@/core/editing';
import type { ShareKind } from '@/core/schedule';
import { computeSchedule, withShareKind, withStage } from '@/core/schedule';
import type { ScheduleEntry, SchedulePreset } from '@/model';
import { newPartId, useEditor } from '../context';

/** The payments of the proposal in work: what each comes to, and what is done to them. */
export function usePayments() {
  const { work, figures } = useEditor();
  const entries = work.document.schedule;
  const { total, minorDigits } = figures;
  const { payments, problems } = computeSchedule(entries, total, minorDigits);
  const put = (next: readonly ScheduleEntry[]) => work.edit((draft) => setSchedule(draft, next));
  return {
    entries,
    payments,
    problems,
    change: (at: number, next: Partial<ScheduleEntry>) =>
      put(entries.map((entry, i) => (i === at ? { ...entry, ...next } : entry))),
    setShare: (at: number, kind: ShareKind) =>
      put(
        withShareKind(
          entries,
          payments.map(({ amount }) => amount),
          at,
          kind,
          minorDigits,
        ),
      ),
    addStage: () => put(withStage(entries, newPartId())),
    move: (from: number, to: number) => put(arrayMove([...entries], from, to)),
    remove: (at: number) => put(entries.filter((_, i) => i !== at)),
    /** Takes a saved schedule, and how it is billed, in the place of this one. */
    take: ({ schedule, billing }: SchedulePreset) =>
      work.edit((draft) => {
        setSchedule(
          draft,
          schedule.map((entry) => ({ ...entry, id: newPartId() })),
        );
        if (billing) setBilling(draft, billing);
      }),
  };
}
