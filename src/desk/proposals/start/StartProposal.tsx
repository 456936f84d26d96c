'use client';

import { Alert, Button, Form } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CustomerRow } from '@/services/customers/customers';
import { useSubmit } from '@/ui/useSubmit';
import { CustomerForm } from '../../customers/CustomerForm';
import type { Earlier, Given, StartActions, Template } from './startActions';
import { begin } from './startActions';
import { StartFor } from './StartFor';
import { CopiedFrom, DocumentFile, StartFrom, TitleField } from './StartFrom';

/** For whom, where, from what: then straight to the sheet. */
export function StartProposal({
  customers,
  templates,
  earlier,
  copyOf,
  first,
  actions,
}: {
  /** Proposals that can be copied, newest first. */
  readonly earlier: readonly Earlier[];
  /** The one to copy, where it was come from there. */
  readonly copyOf: string | null;
  readonly customers: readonly CustomerRow[];
  readonly templates: readonly Template[];
  readonly first: string | null;
  readonly actions: StartActions;
}) {
  const router = useRouter();
  const [form] = Form.useForm<Given>();
  const { busy, refused, setRefused, submit } = useSubmit({ form });
  const [adding, setAdding] = useState(false);
  const [customerId, setCustomerId] = useState(first);
  const [from, setFrom] = useState(copyOf ? 'earlier' : 'nothing');
  const [file, setFile] = useState<File | null>(null);
  const sites = customers.find(({ id }) => id === customerId)?.sites ?? [];
  const titleOf = (id: string | null | undefined) => earlier.find((each) => each.id === id)?.title ?? '';

  const pick = (id: string) => {
    setCustomerId(id);
    form.setFieldsValue({
      customerId: id,
      siteId: customers.find((row) => row.id === id)?.sites[0]?.id ?? '',
    });
  };
  /** What is started from gives its title, unless one was typed. */
  const changed = ({ from: next, proposalId }: { from?: string; proposalId?: string }) => {
    if (proposalId) form.setFieldsValue({ title: titleOf(proposalId) });
    if (!next) return;
    setFrom(next);
    const template = templates.find(({ id }) => id === next);
    const title = String(form.getFieldValue('title') ?? '');
    if (template && (title === '' || templates.some(({ name }) => name === title)))
      form.setFieldsValue({ title: template.name });
  };
  const start = async (given: Given) => {
    if (from === 'file' && !file) {
      setRefused('Choose the file of a proposal document first.');
      return;
    }
    const text = from === 'file' ? await file!.text() : '';
    await submit(() => begin(actions, given, text), { to: ({ id }) => `/proposals/${id}`, rereads: false });
  };

  return (
    <div className="page page-narrow">
      <header className="page-head">
        <h1>New proposal</h1>
      </header>
      {refused && <Alert type="error" title={refused} className="below" />}
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        onFinish={(values) => void start(values)}
        initialValues={{
          customerId: first ?? undefined,
          siteId: sites[0]?.id,
          from,
          proposalId: copyOf ?? undefined,
          costs: 'refreshed',
          title: titleOf(copyOf),
        }}
        onValuesChange={changed}
      >
        <StartFor
          customers={customers}
          sites={sites}
          focused={!first}
          pick={pick}
          addNew={() => setAdding(true)}
        />
        <StartFrom templates={templates} earlier={earlier} />
        {from === 'earlier' && <CopiedFrom earlier={earlier} />}
        {from === 'file' ? <DocumentFile file={file} take={setFile} /> : <TitleField />}
        <Button type="primary" htmlType="submit" loading={busy}>
          Start proposal
        </Button>
      </Form>
      {adding && (
        <CustomerForm
          save={actions.saveCustomer}
          close={() => setAdding(false)}
          done={({ id, siteId }) => {
            setAdding(false);
            router.replace(`/proposals/new?customer=${id}`);
            setCustomerId(id);
            form.setFieldsValue({ customerId: id, siteId: siteId ?? '' });
          }}
        />
      )}
    </div>
  );
}
