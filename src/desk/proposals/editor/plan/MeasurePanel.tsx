'use client';

import { Button, Switch, Select, Input } from 'antd';
import { useState } from 'react';
import {
  addMeasure,
  followersOf,
  removeMeasure,
  removeTraced,
  renameTraced,
  setMeasure,
  setRoomSpace,
  setPlanName,
  setPlanShown,
  setSpace,
} from '@/core/editing';
import { lengthShown, measuringOf, typedMeasure } from '@/core/space';
import { edgeName, readTraced, tracedInWords } from '@/core/plan';
import type { Measure, Measuring, Plan, Traced } from '@/model';
import { newPartId, useEditor } from '../context';
import { Cell } from '@/ui/live/Cell';

const kindsIn = (
  measuring: Measuring,
): readonly { readonly value: Measure['kind']; readonly label: string }[] => [
  { value: 'length', label: measuring === 'us' ? 'ft' : 'm' },
  { value: 'area', label: measuring === 'us' ? 'sq ft' : 'm²' },
  { value: 'count', label: 'pieces' },
];

function follow(count: number): string {
  return count === 0 ? '' : ` · ${count} follow${count === 1 ? 's' : ''} it`;
}

function TracedRow({
  plan,
  traced,
  selected,
  choose,
  toPlan,
}: {
  readonly plan: Plan;
  readonly traced: Traced;
  readonly selected: boolean;
  readonly choose: () => void;
  readonly toPlan: () => void;
}) {
  const { work, readOnly } = useEditor();
  const measuring = measuringOf(work.document);
  const { figures, trouble, doubt } = readTraced(traced, plan);
  const { sections, rooms = [] } = work.document;
  const follower = [...rooms, ...sections].find(
    ({ space }) => space?.shape.kind === 'traced' && space.shape.measure === traced.name,
  );
  return (
    <li
      className={selected ? 'measure-selected' : ''}
      data-traced={traced.id}
      onFocus={choose}
      onClick={choose}
    >
      <div className="measure-head">
        <Cell
          name="measure"
          label={`Name of ${traced.label}`}
          shown={traced.label}
          readOnly={readOnly}
          onEnter={toPlan}
          commit={(text) => work.edit((draft) => renameTraced(draft, plan.id, traced.id, text))}
        />
        <strong className="measure-value">{tracedInWords(traced, plan, measuring) ?? '—'}</strong>
        {!readOnly && (
          <button
            type="button"
            className="grip grip-shown"
            aria-label={`Remove ${traced.label}`}
            onClick={(event) => {
              event.stopPropagation();
              work.edit((draft) => removeTraced(draft, plan.id, traced.id));
            }}
          >
            ×
          </button>
        )}
      </div>
      <div className="measure-note">
        {(trouble ?? doubt) ? (
          <span className="wrong">{trouble ?? doubt}</span>
        ) : (
          <>
            <code>{traced.name}</code>
            {figures?.edge != null && (
              <>
                {' · '}
                <code>{edgeName(traced.name)}</code> {lengthShown(figures.edge, measuring)}
              </>
            )}
            {follow(followersOf(work.document, traced.name))}
          </>
        )}
      </div>
      {selected && traced.kind === 'area' && !readOnly && (
        <Select
          size="small"
          className="measure-space"
          popupMatchSelectWidth={false}
          aria-label={`Make ${traced.label} the dimensions of a section or room`}
          value={follower?.id ?? ''}
          onChange={(picked: string) => {
            const shape = { kind: 'traced' as const, measure: traced.name };
            const room = rooms.find(({ id }) => id === picked);
            const section = sections.find(({ id }) => id === picked);
            if (room) work.edit((draft) => setRoomSpace(draft, room.id, room.name, { ...room.space, shape }));
            else if (section)
              work.edit((draft) => setSpace(draft, section.id, { openings: [], ...section.space, shape }));
          }}
          options={[
            { value: '', label: 'Use as the dimensions of …' },
            ...rooms.map(({ id, name }) => ({ value: id, label: `Room: ${name}` })),
            ...sections.map(({ id, title }) => ({ value: id, label: title })),
          ]}
        />
      )}
    </li>
  );
}

function TypedMeasures() {
  const { work, readOnly } = useEditor();
  const [label, setLabel] = useState('');
  const [typed, setTyped] = useState('');
  const [kind, setKind] = useState<Measure['kind']>('length');
  const [trouble, setTrouble] = useState<string | null>(null);
  const measures = work.document.measures ?? [];
  const measuring = measuringOf(work.document);
  const kinds = kindsIn(measuring);
  const add = () => {
    try {
      work.edit((draft) => void addMeasure(draft, { id: newPartId(), kind }, label, typed));
      setLabel('');
      setTyped('');
      setTrouble(null);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <section>
      <h2 className="column-title">Typed</h2>
      <ul className="measures" aria-label="Typed measures">
        {measures.map((measure) => (
          <li key={measure.id}>
            <div className="measure-head">
              <code className="measure-typed">{measure.name}</code>
              <Cell
                name="measure-value"
                label={`Value of ${measure.name}`}
                align="right"
                shown={typedMeasure(measure, measuring)}
                readOnly={readOnly}
                commit={(text) => work.edit((draft) => setMeasure(draft, measure.id, text))}
              />
              {(measuring === 'us' || measure.kind === 'count') && (
                <span className="soft">{kinds.find(({ value }) => value === measure.kind)!.label}</span>
              )}
              {!readOnly && (
                <button
                  type="button"
                  className="grip grip-shown"
                  aria-label={`Remove ${measure.name}`}
                  onClick={() => work.edit((draft) => removeMeasure(draft, measure.id))}
                >
                  ×
                </button>
              )}
            </div>
          </li>
        ))}
      </ul>
      {!readOnly && (
        <form
          className="measure-add"
          onSubmit={(event) => {
            event.preventDefault();
            if (label.trim() !== '' && typed.trim() !== '') add();
          }}
        >
          <Input
            size="small"
            className="bar-field"
            aria-label="Name of a measure"
            placeholder="fence"
            maxLength={60}
            value={label}
            onChange={({ target }) => setLabel(target.value)}
          />
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label="Its unit"
            value={kind}
            onChange={(picked: string) => setKind(picked as Measure['kind'])}
            options={kinds.map(({ value, label: unit }) => ({ value: value, label: unit }))}
          />
          <Input
            size="small"
            className="bar-field"
            aria-label="Its value"
            placeholder="38+64+22"
            maxLength={200}
            value={typed}
            onChange={({ target }) => setTyped(target.value)}
          />
          <Button size="small" htmlType="submit">
            Add
          </Button>
          {trouble && <span className="wrong">{trouble}</span>}
        </form>
      )}
    </section>
  );
}

/** Everything measured: what is traced on the plan in view, and what is typed, with the names formulas use. */
export function MeasurePanel({
  plan,
  proposalId,
  selected,
  choose,
  toPlan,
}: {
  readonly plan: Plan | null;
  readonly proposalId: string;
  readonly selected: string | null;
  readonly choose: (id: string) => void;
  readonly toPlan: () => void;
}) {
  const { work, readOnly } = useEditor();
  return (
    <aside className="measure-panel" aria-label="Measures">
      {plan && (
        <section>
          <h2 className="column-title">Traced</h2>
          {plan.traced.length === 0 && (
            <p className="soft">
              Nothing yet. Trace an outline, a run, or mark what you count; each gets a name that quantities
              can follow: <code>porch * 1.1</code>
            </p>
          )}
          <ul className="measures" aria-label="Traced on this plan">
            {plan.traced.map((traced) => (
              <TracedRow
                key={traced.id}
                plan={plan}
                traced={traced}
                selected={selected === traced.id}
                choose={() => choose(traced.id)}
                toPlan={toPlan}
              />
            ))}
          </ul>
        </section>
      )}
      <TypedMeasures />
      {plan && (
        <section className="measure-plan">
          <h2 className="column-title">This plan</h2>
          <Cell
            name="plan-name"
            label="Name of the plan"
            shown={plan.name}
            readOnly={readOnly}
            commit={(text) => work.edit((draft) => setPlanName(draft, plan.id, text))}
          />
          <label className="measure-shown">
            <Switch
              size="small"
              disabled={readOnly}
              checked={plan.shown === true}
              onChange={(shown) => work.edit((draft) => setPlanShown(draft, plan.id, shown))}
            />{' '}
            The customer sees it
          </label>
          <a href={`/api/v1/proposals/${proposalId}/plans/${plan.id}`} download>
            As GeoJSON
          </a>
        </section>
      )}
    </aside>
  );
}
