import { Button, Form, Select } from 'antd';
import { CustomerNoticeBar } from '@/desk/customers/CustomerNoticeBar';
import type { CustomerRow } from '@/services/customers/customers';

/** For whom and where. */
export function StartFor({
  customers,
  sites,
  focused,
  pick,
  addNew,
}: {
  readonly customers: readonly CustomerRow[];
  readonly sites: CustomerRow['sites'];
  readonly focused: boolean;
  readonly pick: (customerId: string) => void;
  readonly addNew: () => void;
}) {
  const customerId = Form.useWatch<string | undefined>('customerId');
  const picked = customers.find(({ id }) => id === customerId);
  return (
    <>
      {picked && <CustomerNoticeBar notice={picked.notice} customerId={picked.id} />}
      <div className="field-row">
        <Form.Item
          name="customerId"
          label="For"
          className="grows"
          rules={[{ required: true, message: 'Pick a customer, or add one.' }]}
        >
          <Select
            showSearch={{ optionFilterProp: 'label' }}
            autoFocus={focused}
            placeholder="Type a name or an address"
            options={customers.map((row) => ({
              value: row.id,
              label: `${row.name} · ${row.sites.map(({ line }) => line).join(' · ')}`,
            }))}
            onChange={pick}
          />
        </Form.Item>
        <Form.Item>
          <Button onClick={addNew}>New customer</Button>
        </Form.Item>
      </div>
      <Form.Item name="siteId" label="Where" rules={[{ required: true, message: 'Pick a site.' }]}>
        <Select
          placeholder="First pick a customer"
          options={sites.map(({ id, line }) => ({ value: id, label: line }))}
        />
      </Form.Item>
    </>
  );
}
