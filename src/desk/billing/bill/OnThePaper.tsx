import { Input, Select } from 'antd';
import type { BillDraft } from './useBillDraft';

/** The words on the invoice, and how much of the work it shows. */
export function OnThePaper({ draft }: { readonly draft: BillDraft }) {
  const { bill, typed, type } = draft;
  const { title, remark, shows } = typed;
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
          autoSize={{ minRows: 1, maxRows: 5 }}
          onChange={(event) => type({ remark: event.target.value })}
        />
      </label>
      <label className="bill-field">
        Work not billed this time
        <Select
          value={shows.unbilled}
          onChange={(unbilled) => type({ shows: { ...shows, unbilled } })}
          options={[
            { value: 'hidden', label: 'Left out' },
            { value: 'zero', label: 'Shown with nothing' },
          ]}
        />
      </label>
      <label className="bill-field">
        Bundles
        <Select
          value={shows.bundles}
          onChange={(bundles) => type({ shows: { ...shows, bundles } })}
          options={[
            { value: 'agreed', label: 'As they were offered' },
            { value: 'one', label: 'Each as one line' },
            { value: 'parts', label: 'By their parts' },
          ]}
        />
      </label>
    </div>
  );
}
