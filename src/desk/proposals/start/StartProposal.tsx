'use client';

import { Alert, Button, Form } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { CustomerRow } from '@/services/customers/customers';
import type { Offered } from '@/services/offered';
import type { EarlierProposal } from '@/services/proposals/offerProposals';
import { useKeptFields } from '@/ui/kept/useKeptFields';
import { useSubmit } from '@/ui/useSubmit';
import { CustomerForm } from '../../customers/CustomerForm';
import type { Given, StartActions, Template } from './startActions';
import { begin } from './startActions';
import { StartFor, useCustomersOffered } from './StartFor';
import { CopiedFrom, DocumentFile, StartFrom, TitleField, useEarlierOffered } from './StartFrom';

/** What stands in the form while it is filled in. */
type Started = { readonly [Key in keyof Given]?: Given[Key] | undefined };

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
  readonly earlier: Offered<EarlierProposal>;
  /** The one to copy, where it was come from there. */
  readonly copyOf: EarlierProposal | null;
  readonly customers: Offered<CustomerRow>;
  readonly templates: readonly Template[];
  /** The customer it was come from. */
  readonly first: CustomerRow | null;
  readonly actions: StartActions;
}) {
  const router = useRouter();
  const [form] = Form.useForm<Started>();
  const { busy, refused, setRefused, submit } = useSubmit({ form });
  const [adding, setAdding] = useState<string | null>(null);
  const [added, setAdded] = useState<string | null>(null);
  const [file, setFile] = useState<File | null>(null);
  const blank: Started = {
    customerId: first?.id,
    siteId: first?.sites[0]?.id,
    from: copyOf ? 'earlier' : 'nothing',
    proposalId: copyOf?.id,
    costs: 'refreshed',
    title: copyOf?.title ?? '',
  };
  const { done, notice } = useKeptFields<Started>(
    `start ${copyOf?.id ?? added ?? first?.id ?? ''}`,
    form,
    blank,
  );
  const from = Form.useWatch('from', form) ?? blank.from;
  const people = useCustomersOffered(customers, first, Form.useWatch('customerId', form));
  const proposals = useEarlierOffered(earlier, copyOf, Form.useWatch('proposalId', form));

  // For whom and where is said, and the dialog is gone: what it is called comes next.
  useEffect(() => {
    if (added !== null) form.focusField('title');
  }, [added, form]);

  const pick = (id: string) =>
    form.setFieldsValue({ customerId: id, siteId: people.of(id)?.sites[0]?.id ?? '' });
  /** What is started from gives its title, unless one was typed. */
  const changed = ({ from: next, proposalId }: Pick<Started, 'from' | 'proposalId'>) => {
    if (proposalId) form.setFieldsValue({ title: proposals.of(proposalId)?.title ?? '' });
    if (!next) return;
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
    await submit(() => begin(actions, given, text), {
      then: () => done(),
      to: ({ id }) => `/proposals/${id}`,
      rereads: false,
    });
  };

  return (
    <div className="page page-narrow">
      <header className="page-head">
        <h1>New proposal</h1>
      </header>
      {notice}
      {refused && <Alert type="error" title={refused} className="below" />}
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        onFinish={(values) => void start(values as Given)}
        initialValues={blank}
        onValuesChange={changed}
      >
        <StartFor customers={people} focused={!first} pick={pick} addNew={setAdding} />
        <StartFrom templates={templates} copies={earlier.found.length > 0} />
        {from === 'earlier' && <CopiedFrom earlier={proposals} />}
        {from === 'file' ? <DocumentFile file={file} take={setFile} /> : <TitleField />}
        <Button type="primary" htmlType="submit" loading={busy}>
          Start proposal
        </Button>
      </Form>
      {adding !== null && (
        <CustomerForm
          name={adding}
          save={actions.saveCustomer}
          close={() => setAdding(null)}
          done={({ id, siteId }) => {
            setAdding(null);
            // What is kept goes on under the customer it is for now, from this moment on.
            done();
            setAdded(id);
            router.replace(`/proposals/new?customer=${id}`);
            form.setFieldsValue({ customerId: id, siteId: siteId ?? '' });
          }}
        />
      )}
    </div>
  );
}
