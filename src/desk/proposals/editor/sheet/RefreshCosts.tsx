'use client';

import { Button, Modal } from 'antd';
import { useMemo, useState } from 'react';
import { refreshedCosts } from '@/core/editing';
import { showAmount, showUnitAmount } from '@/core/number';
import { computeFigures } from '@/core/price';
import { unitName } from '@/model';
import { useEditor, useEditorActions } from '../context';
import { PlainTable } from '@/ui/tables/PlainTable';

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
      <Button
        type="link"
        size="small"
        title="In the library, since they were copied here"
        onClick={() => setOpen(true)}
      >
        {fresh.moves.length} cost{fresh.moves.length > 1 ? 's' : ''} moved
      </Button>
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
        <PlainTable
          label="Costs that moved"
          rows={fresh.moves}
          rowKey={({ description }) => description}
          columns={[
            { key: 'item', title: 'Item', cell: ({ description }) => description },
            { key: 'unit', title: 'Unit', cell: ({ unit }) => unitName(unit) },
            { key: 'here', title: 'Here', figure: true, cell: ({ before }) => showUnitAmount(before) },
            { key: 'library', title: 'Library', figure: true, cell: (move) => showUnitAmount(move.after) },
          ]}
        />
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
