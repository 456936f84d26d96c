import { Alert, Form, Input, Modal } from 'antd';
import { useState } from 'react';
import type { readCustomer } from '@/services/customers/customers';
import type { Answer, SiteInput } from '@/model';
import { useKeptFields } from '@/ui/kept/useKeptFields';
import { useSubmit } from '@/ui/useSubmit';
import { AddressFields, useEmptyAddress } from './AddressFields';

export type SaveSite = (input: SiteInput, id?: string, over?: SiteInput) => Promise<Answer<{ id: string }>>;
export type Site = Awaited<ReturnType<typeof readCustomer>>['sites'][number];

/** Where work is done, and what only we read of it. */
export function SiteForm({
  customerId,
  site,
  save,
  close,
}: {
  readonly customerId: string;
  /** Null for a new one. */
  readonly site: Site | null;
  readonly save: SaveSite;
  readonly close: () => void;
}) {
  const [form] = Form.useForm<Omit<SiteInput, 'customerId'>>();
  const { busy, refused, submit } = useSubmit({ form });
  const emptyAddress = useEmptyAddress();
  const values = { address: site?.address ?? emptyAddress, internalNote: site?.internalNote ?? '' };
  /** As it was read when the form was opened. */
  const [over] = useState(values);
  const { done, notice } = useKeptFields(`site ${site?.id ?? `of ${customerId}`}`, form, values);
  const send = (given: Omit<SiteInput, 'customerId'>) =>
    submit(() => save({ customerId, ...given }, site?.id, site ? { customerId, ...over } : undefined), {
      then: () => {
        done();
        close();
      },
    });
  return (
    <Modal
      open
      title={site ? 'Change site' : 'New site'}
      okText={site ? 'Save' : 'Add site'}
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
        <AddressFields under="address" />
        <Form.Item name="internalNote" label="Only for us: gate code, dog, where to park">
          <Input.TextArea autoSize={{ minRows: 2 }} />
        </Form.Item>
        {/* Enter in a field does it. */}
        <button type="submit" hidden />
      </Form>
    </Modal>
  );
}
