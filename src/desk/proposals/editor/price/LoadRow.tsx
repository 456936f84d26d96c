import { moveLoad, setLoad } from '@/core/editing';
import type { Amount } from '@/core/number';
import { showAmount } from '@/core/number';
import type { Load } from '@/model';
import { MarkupRow } from '../../../markups/MarkupRow';
import { useEditor } from '../context';

/** One markup of the proposal, with what it comes to. */
export function LoadRow({
  load,
  first,
  last,
}: {
  readonly load: Load;
  readonly first: boolean;
  readonly last: boolean;
}) {
  const { work, figures, readOnly } = useEditor();
  const amount = figures.loads.find((each) => each.load.id === load.id)?.amount ?? (0n as Amount);
  return (
    <MarkupRow
      load={load}
      first={first}
      last={last}
      readOnly={readOnly}
      amount={showAmount(amount, figures.minorDigits)}
      change={(next) => work.edit((draft) => setLoad(draft, load.id, next))}
      move={(by) => work.edit((draft) => moveLoad(draft, load.id, by))}
    />
  );
}
