'use client';

import { costTypeName } from '@/core/text/names';
import { Button } from 'antd';
import { writeFixed } from '@/core/number';
import { parseQuantity } from '@/core/quantity';
import type { AreaFactors } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { useEditor } from '../context';

const parts = ['material', 'labour', 'equipment'] as const;

function readFactor(text: string): string {
  const value = writeFixed(parseQuantity(text, 4));
  if (Number(value) < 0.2 || Number(value) > 5) throw new Error('A factor goes from 0.2 to 5.');
  return value;
}

/** What work costs at the place of the job, against the library. */
export function AreaFields() {
  const { work, readOnly } = useEditor();
  const { area } = work.document;
  const set = (next: AreaFactors | null) =>
    work.edit((draft) => {
      if (next === null) delete draft.area;
      else draft.area = next;
    });
  if (!area)
    return readOnly ? null : (
      <p className="soft">
        Costs are as in the library.{' '}
        <Button
          type="link"
          size="small"
          onClick={() => set({ name: 'This place', material: '1', labour: '1', equipment: '1' })}
        >
          Costs differ at this place
        </Button>
      </p>
    );
  return (
    <fieldset className="field area-fields">
      <legend>Costs at the place of the job ({area.name}), times the library’s</legend>
      <div className="inputs">
        {parts.map((part) => (
          <label key={part} className="input-field">
            <span className="input-label">{costTypeName(part)}</span>
            <Cell
              name="area"
              label={`Factor on ${costTypeName(part)}`}
              align="right"
              shown={area[part]}
              mark={area[part] === '1' ? undefined : 'typed'}
              readOnly={readOnly}
              commit={(text) => set({ ...area, [part]: readFactor(text) })}
            />
          </label>
        ))}
        {!readOnly && (
          <Button size="small" type="text" onClick={() => set(null)}>
            As in the library
          </Button>
        )}
      </div>
    </fieldset>
  );
}
