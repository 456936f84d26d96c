'use client';

import { Alert, Button, Form, Input, Radio, Select } from 'antd';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { CustomerRow } from '@/services/customers/customers';
import type { Answer, StartInput } from '@/model';
import type { SaveCustomer } from '../customers/CustomerForm';
import { CustomerForm } from '../customers/CustomerForm';
import { asked } from '@/ui/asked';

interface Template {
  readonly id: string;
  readonly name: string;
  readonly about: string;
}

interface StartActions {
  readonly start: (input: StartInput) => Promise<Answer<{ id: string }>>;
  readonly copy: (input: {
    proposalId: string;
    customerId: string;
    siteId: string;
    title: string;
    costs: 'kept' | 'refreshed';
  }) => Promise<Answer<{ id: string }>>;
  readonly read: (
    place: { customerId: string; siteId: string },
    text: string,
  ) => Promise<Answer<{ id: string }>>;
  readonly saveCustomer: SaveCustomer;
}

type Given = StartInput & { from: string; proposalId?: string; costs?: 'kept' | 'refreshed' };

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
  earlier: readonly { id: string; number: number; title: string; customer: string }[];
  /** The one to copy, where it was come from there. */
  copyOf: string | null;
  customers: readonly CustomerRow[];
  templates: readonly Template[];
  first: string | null;
  actions: StartActions;
}) {
  const router = useRouter();
  const [form] = Form.useForm<Given>();
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [adding, setAdding] = useState(false);
  const [customerId, setCustomerId] = useState(first);
  const [from, setFrom] = useState(copyOf ? 'earlier' : 'nothing');
  const fromFile = from === 'file';
  const titleOf = (id: string | null | undefined) => earlier.find((each) => each.id === id)?.title ?? '';
  const file = useRef<HTMLInputElement>(null);
  const sites = customers.find(({ id }) => id === customerId)?.sites ?? [];

  const pick = (id: string, all = customers) => {
    setCustomerId(id);
    form.setFieldsValue({ customerId: id, siteId: all.find((row) => row.id === id)?.sites[0]?.id ?? '' });
  };

  const submit = async (given: Given) => {
    setBusy(true);
    const text = fromFile ? await file.current?.files?.[0]?.text() : undefined;
    if (fromFile && text === undefined) {
      setBusy(false);
      setRefused('Choose the file of a proposal document first.');
      return;
    }
    const place = { customerId: given.customerId, siteId: given.siteId };
    const answer = await asked(
      fromFile
        ? actions.read(place, text!)
        : from === 'earlier'
          ? actions.copy({
              ...place,
              proposalId: given.proposalId ?? '',
              title: given.title,
              costs: given.costs ?? 'refreshed',
            })
          : actions.start({
              ...place,
              title: given.title,
              templateId: given.from === 'nothing' ? null : given.from,
            }),
    );
    if (answer.ok) {
      router.push(`/proposals/${answer.value.id}`);
      return;
    }
    setBusy(false);
    setRefused(answer.problem.detail);
  };

  return (
    <div className="page" style={{ maxWidth: 640 }}>
      <header className="page-head">
        <h1>New proposal</h1>
      </header>
      {refused && <Alert type="error" title={refused} className="below" />}
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        onFinish={(values) => void submit(values)}
        initialValues={{
          customerId: first ?? undefined,
          siteId: sites[0]?.id,
          from,
          proposalId: copyOf ?? undefined,
          costs: 'refreshed',
          title: titleOf(copyOf),
        }}
        onValuesChange={(changed: { from?: string; proposalId?: string }) => {
          if (changed.proposalId) form.setFieldsValue({ title: titleOf(changed.proposalId) });
          if (!changed.from) return;
          setFrom(changed.from);
          const template = templates.find(({ id }) => id === changed.from);
          const title = String(form.getFieldValue('title') ?? '');
          if (template && (title === '' || templates.some(({ name }) => name === title)))
            form.setFieldsValue({ title: template.name });
        }}
      >
        <div style={{ display: 'flex', gap: 10, alignItems: 'end' }}>
          <Form.Item
            name="customerId"
            label="For"
            className="grows"
            rules={[{ required: true, message: 'Pick a customer, or add one.' }]}
          >
            <Select
              showSearch={{ optionFilterProp: 'label' }}
              autoFocus={!first}
              placeholder="Type a name or an address"
              options={customers.map((row) => ({
                value: row.id,
                label: `${row.name} · ${row.sites.map(({ line }) => line).join(' · ')}`,
              }))}
              onChange={(id: string) => pick(id)}
            />
          </Form.Item>
          <Form.Item>
            <Button onClick={() => setAdding(true)}>New customer</Button>
          </Form.Item>
        </div>
        <Form.Item name="siteId" label="Where" rules={[{ required: true, message: 'Pick a site.' }]}>
          <Select
            placeholder="First pick a customer"
            options={sites.map(({ id, line }) => ({ value: id, label: line }))}
          />
        </Form.Item>
        <Form.Item name="from" label="Start from">
          <Radio.Group
            vertical
            options={[
              { value: 'nothing', label: 'Nothing' },
              ...templates.map(({ id, name, about }) => ({
                value: id,
                label: (
                  <>
                    <strong>{name}</strong> <span className="soft">{about}</span>
                  </>
                ),
              })),
              ...(earlier.length > 0 ? [{ value: 'earlier', label: 'An earlier proposal' }] : []),
              { value: 'file', label: 'A proposal document (JSON)' },
            ]}
          />
        </Form.Item>
        {from === 'earlier' && (
          <>
            <Form.Item
              name="proposalId"
              label="Which one"
              rules={[{ required: true, message: 'Pick the proposal to copy.' }]}
            >
              <Select
                showSearch={{ optionFilterProp: 'label' }}
                placeholder="Type a title or a customer"
                options={earlier.map(({ id, number, title, customer }) => ({
                  value: id,
                  label: `${number} ${title} · ${customer}`,
                }))}
              />
            </Form.Item>
            <Form.Item name="costs" label="Its costs">
              <Radio.Group
                options={[
                  { value: 'refreshed', label: 'as the library has them now' },
                  { value: 'kept', label: 'as they were' },
                ]}
              />
            </Form.Item>
          </>
        )}
        {fromFile ? (
          <p>
            <input ref={file} type="file" accept="application/json,.json" aria-label="Proposal document" />
          </p>
        ) : (
          <Form.Item
            name="title"
            label="Title, as the customer reads it"
            rules={[{ required: true, whitespace: true, message: 'Give it a title.' }]}
          >
            <Input maxLength={200} placeholder="Screened porch, rear of house" autoComplete="off" />
          </Form.Item>
        )}
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
