'use client';

import { Button, Checkbox, Select } from 'antd';
import type { JobField, JobValues } from '@/core/bundle';
import { showUnitAmount } from '@/core/number';
import type { UnitCost } from '@/core/price';
import { itemUnitCost } from '@/core/price';
import type { Line } from '@/model';
import { oneUnit } from '@/model';
import { CostsTable } from '@/desk/library/costs/CostsTable';
import { OwnLoads } from '@/desk/library/item/OwnLoads';
import { Cell } from '@/ui/live/Cell';
import { useEditor, useEditorActions } from '../context';

/** How what this job says of a line or a part is changed. */
export interface JobEdits {
  readonly set: <Field extends JobField>(field: Field, value: JobValues[Field]) => void;
  readonly takeBack: (field: JobField) => void;
  readonly setOvertime: (overtime: boolean) => void;
  /** Takes back a unit cost typed over the costs. */
  readonly clearCost: () => void;
}

interface JobFieldsProps extends JobEdits {
  /** As it counts: what this job says in it, what the library has beside it. */
  readonly line: Line;
  readonly cost: UnitCost;
}

/** What the library has where this job says otherwise, and the way back to it. */
function Library({
  field,
  has,
  line,
  takeBack,
}: Pick<JobFieldsProps, 'line' | 'takeBack'> & { readonly field: JobField; readonly has: string }) {
  const { readOnly } = useEditorActions();
  if (line.fromLibrary?.[field] === undefined) return null;
  return (
    <span className="job-otherwise">
      <span className="wrong">the library has {has}</span>
      {!readOnly && (
        <Button type="link" size="small" onClick={() => takeBack(field)}>
          Take it back
        </Button>
      )}
    </span>
  );
}

/** What one unit costs us, by type, with what stands over it. */
function CostOfLine(props: JobFieldsProps) {
  const { line, cost, set, setOvertime, clearCost } = props;
  const { rates, crews } = useEditor();
  const { readOnly } = useEditorActions();
  const byHour = line.costs.some((part) => 'hours' in part && !part.overtime);
  return (
    <>
      <CostsTable
        costs={line.costs}
        rates={rates}
        crews={crews}
        unit={line.unit}
        readOnly={readOnly}
        change={(costs) => set('costs', costs)}
        markups={{ of: line.markups, change: (markups) => set('markups', markups) }}
        title={
          <p className="job-cost">
            {oneUnit(line.unit)} costs <b>{showUnitAmount(itemUnitCost(line.costs))}</b>{' '}
            <Library
              {...props}
              field="costs"
              has={showUnitAmount(itemUnitCost(line.fromLibrary?.costs ?? []))}
            />
          </p>
        }
      />
      {line.typedCost !== undefined && (
        <p className="job-otherwise">
          <span className="wrong">{showUnitAmount(cost.total)} is typed over it and counts.</span>
          {!readOnly && (
            <Button type="link" size="small" onClick={clearCost}>
              Let the costs count
            </Button>
          )}
        </p>
      )}
      {(byHour || line.overtime) && (
        <Checkbox
          disabled={readOnly}
          checked={line.overtime === true}
          onChange={({ target }) => setOvertime(target.checked)}
        >
          All its hours at the overtime rate
        </Checkbox>
      )}
    </>
  );
}

/** Cost by type, markup, tax and cost code of a line or part on this job; what the library has otherwise is said. */
export function JobFields(props: JobFieldsProps) {
  const { line, set } = props;
  const { work } = useEditor();
  const { readOnly, seesCost } = useEditorActions();
  const { taxClasses, loads } = work.document;
  const nameOf = (id: string | undefined) => taxClasses.find((each) => each.id === id)?.name ?? 'another tax';
  return (
    <div className="job-fields">
      {seesCost && <CostOfLine {...props} />}
      {seesCost && (
        <OwnLoads
          loads={line.loads}
          usual={loads}
          readOnly={readOnly}
          change={(next) => set('loads', next)}
          title={
            <p className="job-cost">
              From cost to price{' '}
              <Library
                {...props}
                field="loads"
                has={line.fromLibrary?.loads ? 'markup of its own' : 'none of its own'}
              />
            </p>
          }
        />
      )}
      <div className="job-pair">
        <label>
          Tax
          <Select
            className="full-width"
            aria-label="Tax"
            disabled={readOnly}
            value={line.taxClass}
            options={taxClasses.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(taxClass: string) => set('taxClass', taxClass)}
          />
        </label>
        <label>
          Cost code
          <Cell
            name="cost-code"
            label={`Cost code of ${line.description}`}
            shown={line.costCode ?? ''}
            placeholder="none"
            readOnly={readOnly}
            commit={(text) => set('costCode', text.trim() === '' ? null : text.trim().slice(0, 40))}
          />
        </label>
      </div>
      <Library {...props} field="taxClass" has={nameOf(line.fromLibrary?.taxClass)} />
      <Library {...props} field="costCode" has={line.fromLibrary?.costCode ?? 'no cost code'} />
    </div>
  );
}
