'use client';

import { Alert, Button, Form } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CompanyDetails } from '@/services/settings/company';
import { LookFields } from './LookFields';
import { mergeOver } from '@/core/editing';
import { CompanyFields } from '@/desk/setUp/CompanyFields';
import { ReckoningFields } from '@/desk/setUp/ReckoningFields';
import type { Answer } from '@/model';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { useSubmit } from '@/ui/useSubmit';
import '@/desk/setUp/setUp.css';

interface Fields {
  readonly company: CompanyDetails & { readonly currency: string };
}

/** What the company says of itself on its papers, and in what it reckons. */
export function CompanyForm({
  details,
  currency,
  mayChange,
  save,
}: {
  readonly details: CompanyDetails;
  readonly currency: string;
  readonly mayChange: boolean;
  readonly save: (input: unknown) => Promise<Answer<CompanyDetails>>;
}) {
  const router = useRouter();
  const [form] = Form.useForm<Fields>();
  const [over, setOver] = useState(details);
  const [typed, setTyped] = useState(details);
  const put = (next: CompanyDetails) => {
    setTyped(next);
    form.setFieldsValue({ company: { ...next, currency } });
  };
  const { done, notice } = useKeptForm<CompanyDetails>(mayChange ? 'company' : null, typed, over, put);
  const { busy, refused, submit } = useSubmit({ form });
  const store = () => {
    const asked = typed;
    return submit(() => save({ ...asked, over }), {
      said: 'Saved. New papers say it from now on.',
      then: (stored) => {
        setOver(stored);
        // What was typed since the press stays.
        put(mergeOver(asked, form.getFieldsValue(true).company as CompanyDetails, stored));
        done();
        // Forms of the whole desk begin with its country and its measures.
        router.refresh();
      },
    });
  };
  return (
    <div className="panel">
      {notice}
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        disabled={!mayChange}
        initialValues={{ company: { ...typed, currency } }}
        onValuesChange={(_, { company }) => {
          const { currency: __, ...rest } = { ...typed, ...company } as Fields['company'];
          setTyped({ ...rest, address: { ...typed.address, ...rest.address } });
        }}
        onFinish={() => void store()}
      >
        <CompanyFields />
        <LookFields
          look={{ logo: typed.logo, color: typed.color }}
          name={typed.name}
          disabled={!mayChange}
          change={(look) => {
            // A picture comes after a while: what was typed meanwhile stays.
            form.setFieldsValue({ company: look });
            setTyped((before) => ({ ...before, ...look }));
          }}
        />
        <ReckoningFields fixed />
        {refused && <Alert type="error" title={refused} className="below" />}
        {mayChange ? (
          <Button type="primary" htmlType="submit" loading={busy}>
            Save
          </Button>
        ) : (
          <span className="soft">Your role does not change this.</span>
        )}
      </Form>
    </div>
  );
}
