import type { Measuring } from '@/model';
import { CaretDownOutlined, CaretRightOutlined } from '@ant-design/icons';
import { showValue } from '@/core/bundle';
import { setBundle } from '@/core/editing';
import type { BundleFigures } from '@/core/price';
import { Cell } from '@/ui/live/Cell';
import { useEditorActions } from '../context';

/** How large a bundle is, in which grade, of how many parts, in few words. */
function sizeInWords({ bundle, sized }: BundleFigures, measuring: Measuring): string {
  const grade = bundle.recipe.grades.find(({ id }) => id === bundle.grade) ?? bundle.recipe.grades[0];
  const size = sized.inputs
    .flatMap(({ value }) => (value?.kind === 'number' ? [showValue(value, measuring)] : []))
    .slice(0, 3);
  return [
    ...size,
    grade?.name,
    `${sized.lines.length} parts`,
    bundle.shows === 'parts' && 'the customer sees the parts',
  ]
    .filter(Boolean)
    .join(' · ');
}

/** The name of a bundle, its size in words, and what there is to say of it. */
export function BundleName({ figures, open }: { readonly figures: BundleFigures; readonly open: boolean }) {
  const { edit, readOnly, toggle, measuring } = useEditorActions();
  const { bundle, sized } = figures;
  const changed = Object.keys(bundle.changes).length + bundle.added.length;
  const [trouble] = sized.troubles;
  return (
    <>
      <div className="row-name">
        <button
          type="button"
          className="bundle-toggle"
          aria-expanded={open}
          aria-label={`${open ? 'Close' : 'Open'} ${sized.name}`}
          tabIndex={-1}
          onClick={() => toggle(bundle.id)}
        >
          {open ? <CaretDownOutlined aria-hidden="true" /> : <CaretRightOutlined aria-hidden="true" />}
        </button>
        <Cell
          name="description"
          label="Bundle"
          shown={sized.name}
          typed={bundle.name}
          readOnly={readOnly}
          commit={(text) => edit((draft) => setBundle(draft, bundle.id, { name: text }))}
        />
        {bundle.extra && <span className="choice-tag">extra, {bundle.extra.in ? 'in' : 'out'}</span>}
      </div>
      <span className="row-remark soft">
        {sizeInWords(figures, measuring)}
        {changed > 0 && <span className="bundle-changed">{changed} changed on this job</span>}
      </span>
      {trouble && (
        <span className="row-remark wrong">
          {trouble.place}: {trouble.message}
          {sized.troubles.length > 1 && ` And ${sized.troubles.length - 1} more.`}
        </span>
      )}
      {bundle.open && <span className="row-remark wrong">not decided: {bundle.open}</span>}
      {bundle.internalNote && <span className="row-remark soft">for us: {bundle.internalNote}</span>}
    </>
  );
}
