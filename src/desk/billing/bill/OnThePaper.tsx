import { Button, Input, Select } from 'antd';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import { sameLayout } from '@/core/billing';
import { layoutInWords } from '@/core/text/layoutInWords';
import type { LayoutActions } from './layoutActions';
import type { BillDraft } from './useBillDraft';

const LayoutDrawer = dynamic(() => import('./LayoutDrawer').then((module) => module.LayoutDrawer));

/** The layouts that are kept: this agreement’s own before those for all. */
function layoutOptions(layouts: ProgressBilling['layouts']) {
  const of = (forAll: boolean, label: string) => {
    const own = layouts.filter((layout) => layout.forAll === forAll);
    return own.length === 0
      ? []
      : [
          {
            label,
            options: own.map(({ id, name, usual }) => ({
              value: id,
              label: usual ? `${name} (usual)` : name,
            })),
          },
        ];
  };
  return [...of(false, 'Of this agreement'), ...of(true, 'For all agreements')];
}

/** The words on the invoice, and how it is laid out. */
export function OnThePaper({
  work,
  draft,
  actions,
}: {
  readonly work: ProgressBilling;
  readonly draft: BillDraft;
  readonly actions: LayoutActions;
}) {
  const { bill, typed, type } = draft;
  const { title, remark, shows } = typed;
  const [open, setOpen] = useState(false);
  const chosen = work.layouts.find((layout) => sameLayout(layout.shows, shows));
  return (
    <div className="panel">
      <h2>On the paper</h2>
      <label className="bill-field">
        Title
        <Input
          value={title}
          maxLength={200}
          placeholder={bill.made?.title ?? 'Work to date'}
          onChange={(event) => type({ title: event.target.value })}
        />
      </label>
      <label className="bill-field">
        Words to the customer
        <Input.TextArea
          value={remark}
          maxLength={2000}
          // As high before its script runs as after: what stands below does not move away under a press.
          rows={1}
          autoSize={{ minRows: 1, maxRows: 5 }}
          onChange={(event) => type({ remark: event.target.value })}
        />
      </label>
      {work.layouts.length > 0 && (
        <label className="bill-field">
          Layout
          <Select
            value={chosen?.id ?? ''}
            onChange={(id) => {
              const layout = work.layouts.find((each) => each.id === id);
              if (layout) type({ shows: layout.shows });
            }}
            options={[
              ...(chosen ? [] : [{ value: '', label: 'As set below', disabled: true }]),
              ...layoutOptions(work.layouts),
            ]}
          />
        </label>
      )}
      <p className="soft bill-layout">{layoutInWords(shows)}</p>
      <Button type="link" className="bill-layout-open" onClick={() => setOpen(true)}>
        Change the layout …
      </Button>
      {open && (
        <LayoutDrawer
          work={work}
          shows={shows}
          change={(next) => type({ shows: next })}
          actions={actions}
          close={() => setOpen(false)}
        />
      )}
    </div>
  );
}
