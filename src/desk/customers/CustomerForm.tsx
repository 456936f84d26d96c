'use client';

import { Alert, Checkbox, Form, Input, Modal } from 'antd';
import { useState } from 'react';
import type { Answer, CustomerInput } from '@/model';
import { AddressFields, useEmptyAddress } from './AddressFields';
import { PeopleFields, wrongPeople } from './PeopleFields';
import { useKeptFields } from '@/ui/kept/useKeptFields';
import { useSubmit } from '@/ui/useSubmit';

export type SaveCustomer = (
  input: CustomerInput,
  id?: string,
  over?: CustomerInput,
) => Promise<Answer<{ id: string; siteId: string | null }>>;

const nothing: Omit<CustomerInput, 'billing'> = {
  name: '',
  contactName: '',
  email: '',
  phone: '',
  internalNote: '',
  alert: false,
  taxExempt: '',
  people: [],
};

/** Adds a customer or changes one. Only name and address are needed. */
export function CustomerForm({
  id,
  name = '',
  values: given,
  save,
  done,
  close,
}: {
  id?: string;
  /** Of a new one, as it was typed already. */
  name?: string;
  values?: CustomerInput;
  save: SaveCustomer;
  done: (saved: { id: string; siteId: string | null }) => void;
  close: () => void;
}) {
  const billing = useEmptyAddress();
  const fresh = useState(() => ({ ...nothing, name, billing }))[0];
  const values = given ?? fresh;
  const [form] = Form.useForm<CustomerInput>();
  const { busy, refused, submit } = useSubmit({ form });
  /** As it was read when the form was opened. */
  const [over] = useState(values);
  const { done: saved, notice } = useKeptFields(
    `customer ${id ?? ['new', name].join(' ').trim()}`,
    form,
    values,
  );
  const send = (typed: CustomerInput) =>
    submit(() => save({ ...values, ...typed }, id, id === undefined ? undefined : over), {
      then: (value) => {
        saved();
        done(value);
      },
      rereads: false,
    });
  return (
    <Modal
      open
      width={640}
      title={id ? 'Change customer' : 'New customer'}
      okText={id ? 'Save' : 'Add customer'}
      cancelText="Cancel"
      confirmLoading={busy}
      onOk={form.submit}
      onCancel={close}
    >
      {notice}
      {refused && <Alert type="error" title={refused} className="below" />}
      <Form
        form={form}
        disabled={busy}
        layout="vertical"
        requiredMark={false}
        initialValues={values}
        onFinish={send}
      >
        <Form.Item
          name="name"
          label="Name"
          rules={[{ required: true, whitespace: true, message: 'Type a name.' }]}
        >
          <Input autoFocus autoComplete="off" />
        </Form.Item>
        <div className="fields-3">
          <Form.Item name="contactName" label="Who we speak with">
            <Input autoComplete="off" />
          </Form.Item>
          <Form.Item
            name="email"
            label="Email"
            rules={[{ type: 'email', message: 'This is not an email address.' }]}
          >
            <Input autoComplete="off" />
          </Form.Item>
          <Form.Item name="phone" label="Phone">
            <Input autoComplete="off" />
          </Form.Item>
        </div>
        <Form.Item
          name="people"
          rules={[
            {
              validator: (_, people: CustomerInput['people']) => {
                const wrong = wrongPeople(people ?? []);
                return wrong === null ? Promise.resolve() : Promise.reject(new Error(wrong));
              },
            },
          ]}
        >
          <PeopleFields />
        </Form.Item>
        <AddressFields under="billing" />
        <Form.Item name="taxExempt" label="Why no tax is charged; empty: it is">
          <Input autoComplete="off" placeholder="certificate and its number" />
        </Form.Item>
        <Form.Item name="internalNote" label="Only for us, never shown to the customer">
          <Input.TextArea autoSize={{ minRows: 2 }} />
        </Form.Item>
        <Form.Item name="alert" valuePropName="checked">
          <Checkbox>Show this note to us before work starts</Checkbox>
        </Form.Item>
        <button type="submit" hidden />
      </Form>
    </Modal>
  );
}
