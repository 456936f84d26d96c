'use client';

import type { Measuring } from '@/model';
import { Button, Segmented } from 'antd';
import { setBundle, setBundleValue } from '@/core/editing';
import type { SizedInput } from '@/core/bundle';
import { showValue } from '@/core/bundle';
import type { BundleFigures } from '@/core/price';
import { useEditorActions } from '../context';
import { Cell } from '@/ui/live/Cell';

/** The next input of the same bundle, or the add line after the last. */
function goOn(from: Element | null): void {
  const row = from?.closest('tr');
  const cells = [...(row?.querySelectorAll<HTMLElement>('[data-cell="input"]') ?? [])];
  const next = cells[cells.indexOf(from as HTMLElement) + 1] ?? document.getElementById('add-line');
  next?.focus();
}

const units = {
  us: { length: 'ft', area: 'sq ft' },
  metric: { length: 'm', area: 'm²' },
} as Record<Measuring, Record<string, string>>;

function InputField({ sized, bundleId }: { sized: SizedInput; bundleId: string }) {
  const { edit, readOnly, measuring } = useEditorActions();
  const { input, source, text, value, trouble } = sized;
  const set = (typed: string) => edit((draft) => setBundleValue(draft, bundleId, input.name, typed));
  const unit = units[measuring][input.kind];
  const choices = input.kind === 'yesno' ? ['yes', 'no'] : input.kind === 'oneof' ? input.options : null;
  const shown = value ? showValue(value, measuring) : text;
  return (
    <div className="input-field" title={input.help}>
      <span className="input-label" id={`${bundleId}-${input.name}`}>
        {input.label}
      </span>
      {choices ? (
        <select
          className="input-select"
          data-cell="input"
          aria-labelledby={`${bundleId}-${input.name}`}
          disabled={readOnly}
          value={shown}
          onChange={({ target }) => set(target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            goOn(event.currentTarget);
          }}
        >
          {choices.map((choice) => (
            <option key={choice}>{choice}</option>
          ))}
        </select>
      ) : (
        <Cell
          name="input"
          label={unit ? `${input.label}, ${unit}` : input.label}
          shown={shown}
          typed={text}
          mark={trouble ? 'open' : source === 'typed' ? 'typed' : undefined}
          readOnly={readOnly}
          onEnter={() => goOn(document.activeElement)}
          commit={set}
        />
      )}
      <span className={trouble ? 'input-source wrong' : 'input-source soft'}>
        {trouble
          ? trouble.message
          : source === 'typed'
            ? text.replace(/ m2?$/, '') === shown.replace(/ ((sq |cu )?ft|m[²³]?)$/, '') || choices
              ? '\u00a0'
              : text
            : source === 'space'
              ? `from the dimensions: ${text}`
              : 'as usual'}
      </span>
    </div>
  );
}

/** What an opened bundle asks for: its inputs in place, its grade, what the customer sees. */
export function InputsRow({ figures }: { figures: BundleFigures }) {
  const { edit, readOnly, setTarget, columns } = useEditorActions();
  const { bundle, sized } = figures;
  const { grades } = bundle.recipe;
  return (
    <tr className="row-inputs" data-row={`${bundle.id} inputs`}>
      <td />
      <td colSpan={5 + columns.length}>
        <div className="inputs">
          {sized.inputs.map((input) => (
            <InputField key={input.input.name} sized={input} bundleId={bundle.id} />
          ))}
          {grades.length > 1 && (
            <div className="input-field input-grade">
              <span className="input-label">Grade</span>
              <Segmented
                size="small"
                disabled={readOnly}
                aria-label="Grade"
                value={bundle.grade ?? grades[0]!.id}
                options={grades.map(({ id, name }) => ({ value: id, label: name }))}
                onChange={(grade) => edit((draft) => setBundle(draft, bundle.id, { grade }))}
              />
            </div>
          )}
        </div>
        {!readOnly && (
          <Button
            type="link"
            size="small"
            className="inputs-add"
            onClick={() => {
              setTarget({ kind: 'bundle', bundleId: bundle.id });
              document.getElementById('add-line')?.focus();
            }}
          >
            Add a part on this job
          </Button>
        )}
        {sized.detail && <p className="soft inputs-detail">The customer reads: {sized.detail}</p>}
      </td>
    </tr>
  );
}
