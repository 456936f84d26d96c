import { Segmented } from 'antd';
import { readDimension } from '@/core/editing';
import { shapeOfKind, typedDimension, typedWalk, walkInMeters } from '@/core/space';
import type { Space } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { useEditor, useEditorActions } from '../context';

type Shape = Space['shape'];

/** Enter goes to the next field of the dimensions, and from the last to where lines, or rooms, are added. */
export function toNextDimension(): void {
  const from = document.activeElement as HTMLElement | null;
  const within = from?.closest<HTMLElement>('[data-sizes]');
  const cells = [...(within?.querySelectorAll<HTMLElement>('[data-cell="space"]') ?? [])];
  (cells[cells.indexOf(from!) + 1] ?? document.getElementById(within?.dataset.sizes ?? 'add-line'))?.focus();
}

/** One field of the dimensions. */
export function SpaceField({
  label,
  shown,
  commit,
  hint,
  wide = false,
}: {
  readonly label: string;
  readonly shown: string;
  readonly commit: (text: string) => void;
  readonly hint?: string;
  readonly wide?: boolean;
}) {
  const { readOnly } = useEditorActions();
  return (
    <label className={wide ? 'input-field input-wide' : 'input-field'} title={hint}>
      <span className="input-label">{label}</span>
      <Cell
        name="space"
        label={label}
        shown={shown}
        readOnly={readOnly}
        onEnter={toNextDimension}
        commit={commit}
      />
    </label>
  );
}

/** Chooses an area that was traced on a plan. */
function TracedArea({
  shape,
  change,
}: {
  readonly shape: Extract<Shape, { kind: 'traced' }>;
  readonly change: (shape: Shape) => void;
}) {
  const { readOnly } = useEditorActions();
  const areas = useTracedAreas();
  return (
    <label className="input-field">
      <span className="input-label">Traced area</span>
      <select
        className="input-select"
        aria-label="Traced area"
        disabled={readOnly}
        value={shape.measure}
        onChange={({ target }) => change({ kind: 'traced', measure: target.value })}
      >
        {areas.every(({ name }) => name !== shape.measure) && <option>{shape.measure}</option>}
        {areas.map(({ name, label }) => (
          <option key={name} value={name}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}

const useTracedAreas = () =>
  (useEditor().work.document.plans ?? []).flatMap(({ traced }) =>
    traced.filter(({ kind }) => kind === 'area'),
  );

/** The shape of a space: sides of a rectangle, an outline walked around, or an area traced on a plan. */
export function SpaceShape({
  shape,
  change,
}: {
  readonly shape: Shape;
  readonly change: (shape: Shape) => void;
}) {
  const { readOnly, measuring } = useEditorActions();
  const areas = useTracedAreas();
  const side = (name: 'length' | 'width', label: string) =>
    shape.kind === 'rectangle' && (
      <SpaceField
        label={label}
        shown={shape[name].value === '0' ? '' : typedDimension(shape[name], measuring)}
        commit={(text) => change({ ...shape, [name]: readDimension(text, measuring) })}
        hint={
          measuring === 'us'
            ? 'Feet and inches, meters, or arithmetic: 12\' 6", 3.8 m, 8+4'
            : 'Meters, feet and inches, or arithmetic: 3.8, 12\' 6", 2.4+1.2'
        }
      />
    );
  return (
    <>
      <div className="input-field input-grade">
        <span className="input-label">Shape</span>
        <Segmented<Shape['kind']>
          size="small"
          disabled={readOnly}
          aria-label="Shape"
          value={shape.kind}
          options={[
            { value: 'rectangle', label: 'Rectangle' },
            { value: 'outline', label: 'Outline' },
            ...(areas.length > 0 || shape.kind === 'traced'
              ? [{ value: 'traced' as const, label: 'Plan' }]
              : []),
          ]}
          onChange={(kind) => change(shapeOfKind(kind, areas[0]?.name))}
        />
      </div>
      {side('length', 'Length')}
      {side('width', 'Width')}
      {shape.kind === 'outline' && (
        <SpaceField
          wide
          label="Sides in order, r or l where it turns"
          shown={typedWalk(shape, measuring)}
          commit={(text) =>
            text.trim() &&
            change({ kind: 'outline', walk: measuring === 'us' ? text.trim() : walkInMeters(text) })
          }
        />
      )}
      {shape.kind === 'traced' && <TracedArea shape={shape} change={change} />}
    </>
  );
}
