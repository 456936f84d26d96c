'use client';

import { Button, Modal } from 'antd';
import { useMemo, useState } from 'react';
import { refreshedCosts } from '@/core/editing';
import { showAmount, showUnitAmount } from '@/core/number';
import { computeFigures } from '@/core/price';
import { unitName } from '@/model';
import { useEditor, useEditorActions } from '../context';

/** Says when costs moved in the library since they were copied, and takes them anew: each item, before and after. */
export function RefreshCosts() {
  const { work, figures, readOnly } = useEditor();
  const { moved } = useEditorActions();
  const [open, setOpen] = useState(false);
  const items = useMemo(() => new Map(Object.entries(moved)), [moved]);
  const fresh = useMemo(
    () => (items.size === 0 ? null : refreshedCosts(work.document, items)),
    [items, work.document],
  );
  if (!fresh || fresh.moves.length === 0 || readOnly) return null;
  const after = open ? computeFigures(fresh.document) : null;
  const digits = figures.minorDigits;
  return (
    <>
      <button type="button" className="plain-button" onClick={() => setOpen(true)}>
        {fresh.moves.length} cost{fresh.moves.length > 1 ? 's' : ''} moved in the library
      </button>
      <Modal
        open={open}
        title="Costs that moved in the library"
        onCancel={() => setOpen(false)}
        footer={
          <>
            <Button onClick={() => setOpen(false)}>Keep them as they are</Button>
            <Button
              type="primary"
              onClick={() => {
                work.edit((draft) => {
                  draft.sections = fresh.document.sections;
                });
                setOpen(false);
              }}
            >
              Take the library’s costs
            </Button>
          </>
        }
      >
        <table className="table-plain">
          <thead>
            <tr>
              <th>Item</th>
              <th>Unit</th>
              <th className="amount">Here</th>
              <th className="amount">Library</th>
            </tr>
          </thead>
          <tbody>
            {fresh.moves.map(({ description, unit, before, after: now }) => (
              <tr key={description}>
                <td>{description}</td>
                <td>{unitName(unit)}</td>
                <td className="amount">{showUnitAmount(before)}</td>
                <td className="amount">{showUnitAmount(now)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {after && (
          <p>
            Cost {showAmount(figures.cost, digits)} → {showAmount(after.cost, digits)}, total{' '}
            {showAmount(figures.total, digits)} → {showAmount(after.total, digits)}. Fixed prices stay.
          </p>
        )}
      </Modal>
    </>
  );
}
