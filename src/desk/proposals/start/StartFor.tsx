import { Button, Form, Select } from 'antd';
import { CustomerNoticeBar } from '@/desk/customers/CustomerNoticeBar';
import type { CustomerRow } from '@/services/customers/customers';
import type { Offered } from '@/services/offered';
import { OfferedSelect } from '@/ui/fields/OfferedSelect';
import type { OfferedThings } from '@/ui/fields/useOffered';
import { useOffered } from '@/ui/fields/useOffered';

/** A customer as it is picked: by name and where its sites are. */
const customerLabel = ({ name, sites }: CustomerRow) => [name, ...sites.map(({ line }) => line)].join(' · ');

/** The customers to pick from. */
export const useCustomersOffered = (
  begun: Offered<CustomerRow>,
  come: CustomerRow | null,
  picked: string | undefined,
) => useOffered({ door: '/api/desk/customers', begun, come, picked, label: customerLabel });

/** For whom and where. */
export function StartFor({
  customers,
  focused,
  pick,
  addNew,
}: {
  readonly customers: OfferedThings<CustomerRow>;
  readonly focused: boolean;
  readonly pick: (customerId: string) => void;
  /** Adds one, by the name that was typed. */
  readonly addNew: (name: string) => void;
}) {
  const customerId = Form.useWatch<string | undefined>('customerId');
  const picked = customers.of(customerId);
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
          <OfferedSelect
            things={customers}
            label={customerLabel}
            what="customers"
            autoFocus={focused}
            placeholder="Type a name or an address"
            onChange={pick}
            addNew={{ label: (words) => `New customer “${words}”`, act: addNew }}
          />
        </Form.Item>
        <Form.Item>
          <Button onClick={() => addNew('')}>New customer</Button>
        </Form.Item>
      </div>
      <Form.Item name="siteId" label="Where" rules={[{ required: true, message: 'Pick a site.' }]}>
        <Select
          placeholder="First pick a customer"
          options={(picked?.sites ?? []).map(({ id, line }) => ({ value: id, label: line }))}
        />
      </Form.Item>
    </>
  );
}
