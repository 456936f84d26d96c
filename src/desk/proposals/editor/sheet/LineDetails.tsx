'use client';

import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import {
  setCost,
  setExtra,
  setLineDiscount,
  setLinePicture,
  setLineText,
  setOnThisJob,
  setOvertime,
  takeBackOnThisJob,
} from '@/core/editing';
import { parseQuantity } from '@/core/quantity';
import { whyLine } from '@/core/explain';
import { writeFixed } from '@/core/number';
import type { Extra, Line } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { useEditor, useEditorActions } from '../context';
import { discountAsTyped, readDiscount } from '@/core/quantity';
import { PictureField } from '@/desk/PictureField';
import { TextField } from '../TextField';
import { Why } from '../Why';
import { JobFields } from './JobFields';
import { KeepLine } from './KeepLine';

type Limits = NonNullable<Extra['quantity']>;

/** Whether the customer may set the quantity of an extra, and within which limits. */
export function QuantityLimits({ line }: { line: Line }) {
  const { edit, readOnly } = useEditorActions();
  const extra = line.extra;
  if (!extra || line.allowance) return null;
  const change = (next: Extra) => edit((draft) => setExtra(draft, line.id, next));
  const limit = (name: keyof Limits, label: string) => (
    <label className="limit">
      {label}
      <Cell
        name={`limit-${name}`}
        label={`${label}: ${line.description}`}
        align="right"
        shown={extra.quantity?.[name] ?? ''}
        readOnly={readOnly}
        commit={(text) =>
          change({ ...extra, quantity: { ...extra.quantity!, [name]: writeFixed(parseQuantity(text)) } })
        }
      />
    </label>
  );
  const { quantity, ...without } = extra;
  return (
    <>
      <Checkbox
        disabled={readOnly}
        checked={quantity !== undefined}
        onChange={({ target }) =>
          change(
            target.checked
              ? {
                  ...without,
                  quantity: { minimum: '0', maximum: line.quantity === '0' ? '1' : line.quantity, step: '1' },
                }
              : without,
          )
        }
      >
        The customer sets the quantity
      </Checkbox>
      {quantity && (
        <span className="limits">
          {limit('minimum', 'from')}
          {limit('maximum', 'to')}
          {limit('step', 'in steps of')}
        </span>
      )}
    </>
  );
}

/** The terms of an extra: in or out by default, and whether the customer may set its quantity. */
export function ExtraTerms({ line }: { line: Line }) {
  const { edit, readOnly } = useEditorActions();
  const extra = line.extra;
  if (!extra) return null;
  return (
    <div className="extra-terms">
      <Checkbox
        disabled={readOnly}
        checked={extra.in}
        onChange={({ target }) => edit((draft) => setExtra(draft, line.id, { ...extra, in: target.checked }))}
      >
        In unless the customer leaves it out
      </Checkbox>
      <QuantityLimits line={line} />
    </div>
  );
}

/** How the amount of the line comes about. */
function WhyLine({ lineId }: { lineId: string }) {
  const { work, figures } = useEditor();
  const { seesCost } = useEditorActions();
  if (!seesCost) return null;
  const steps = whyLine(work.document, figures, lineId);
  return steps && <Why summary="Why this amount" steps={steps} />;
}

/** Cost, markup, tax and cost code: open for a line of one’s own, a press away for one of the library. */
function LineOnThisJob({ line }: { readonly line: Line }) {
  const { lines } = useEditor();
  const { edit, seesCost } = useEditorActions();
  const [open, setOpen] = useState(line.itemId === undefined || line.fromLibrary !== undefined);
  const figures = lines.get(line.id);
  if (line.allowance || line.omits || line.settles || !figures) return null;
  return (
    <>
      <Button type="link" size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        {seesCost ? 'Cost, markup, tax and cost code' : 'Tax and cost code'}
      </Button>
      {open && (
        <JobFields
          line={line}
          cost={figures.cost}
          set={(field, value) => edit((draft) => setOnThisJob(draft, line.id, field, value))}
          takeBack={(field) => edit((draft) => takeBackOnThisJob(draft, line.id, field))}
          setOvertime={(overtime) => edit((draft) => setOvertime(draft, line.id, overtime))}
          clearCost={() => edit((draft) => setCost(draft, line.id, ''))}
        />
      )}
      {seesCost && <KeepLine line={line} />}
    </>
  );
}

/** What a line carries besides its figures. The customer's text and our note look different and stand apart. */
export function LineDetails({ line, close }: { line: Line; close: () => void }) {
  const { edit, readOnly, minorDigits } = useEditorActions();
  return (
    <div
      className="details"
      onKeyDown={(event) => {
        // In a cell, Escape takes back what is typed.
        const leaves = event.key === 'Escape' && !(event.target as HTMLElement).dataset.cell;
        if (!leaves && !(event.altKey && event.key === 'Enter')) return;
        event.preventDefault();
        event.stopPropagation();
        close();
      }}
    >
      <ExtraTerms line={line} />
      <LineOnThisJob line={line} />
      {!line.allowance && (
        <label className="details-discount">
          Taken off this line: 5 % or an amount
          <Cell
            name="line-discount"
            label={`Discount on ${line.description}`}
            align="right"
            shown={discountAsTyped(line.discount)}
            placeholder="nothing"
            readOnly={readOnly}
            commit={(text) => {
              const discount = readDiscount(text, minorDigits);
              edit((draft) => setLineDiscount(draft, line.id, discount));
            }}
          />
        </label>
      )}
      <WhyLine lineId={line.id} />
      <label>
        Not decided yet (a color, a model); listed before sending
        <TextField
          readOnly={readOnly}
          value={line.open ?? ''}
          commit={(text) => edit((draft) => setLineText(draft, line.id, 'open', text))}
        />
      </label>
      <div className="details-pair details-read">
        <label>
          The customer reads, below the description
          <TextField
            rows={1}
            readOnly={readOnly}
            value={line.detail ?? ''}
            commit={(text) => edit((draft) => setLineText(draft, line.id, 'detail', text))}
          />
        </label>
        <label>
          Their picture
          <PictureField
            of={line.description}
            picture={line.picture}
            readOnly={readOnly}
            put={(picture) => edit((draft) => setLinePicture(draft, line.id, picture))}
          />
        </label>
      </div>
      <div className="details-pair">
        <label className="details-ours">
          For the crew; never shown to the customer
          <TextField
            rows={1}
            readOnly={readOnly}
            value={line.crewNote ?? ''}
            commit={(text) => edit((draft) => setLineText(draft, line.id, 'crewNote', text))}
          />
        </label>
        <label className="details-ours">
          Only for us; never shown to the customer
          <TextField
            rows={1}
            readOnly={readOnly}
            value={line.internalNote ?? ''}
            commit={(text) => edit((draft) => setLineText(draft, line.id, 'internalNote', text))}
          />
        </label>
      </div>
      {/* The field is left by the click, not by the press: what it writes may move the button away below the pointer. */}
      <Button size="small" onMouseDown={(event) => event.preventDefault()} onClick={close}>
        Close details
      </Button>
    </div>
  );
}
