'use client';

import { Alert, Button, Form, Input } from 'antd';
import { useEffect, useState } from 'react';
import { PasswordField } from '@/desk/account/PasswordFields';
import { usualIn } from '@/core/text/countries';
import type { Answer, SetUpInput } from '@/model';
import { asked } from '@/ui/asked';
import { putAtFields } from '@/ui/atFields';
import { CompanyFields } from './CompanyFields';
import { ReckoningFields } from './ReckoningFields';
import './setUp.css';

type Typed = Omit<SetUpInput, 'key'> & { readonly key?: string };

const nothing: SetUpInput['company'] = {
  ...{ name: '', email: '', phone: '', website: '', taxNumber: '', licence: '' },
  address: { street: '', city: '', region: '', postcode: '', country: 'US' },
  ...usualIn('US'),
  timeZone: 'America/New_York',
};

/** Where the browser stands, as far as it says: its region and its time. */
function guessed() {
  const region = new Intl.Locale(navigator.language).region ?? 'US';
  return {
    company: {
      address: { country: region },
      ...usualIn(region),
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    },
  };
}

/** An empty database: the company and its owner. Only names, an address to sign in with and a password are needed at once. */
export function SetUp({
  asksForKey,
  setUp,
}: {
  readonly asksForKey: boolean;
  readonly setUp: (input: SetUpInput) => Promise<Answer<unknown>>;
}) {
  const [form] = Form.useForm<Typed>();
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  // Only the browser knows where it stands; nobody typed anything of this yet.
  useEffect(() => form.setFieldsValue(guessed() as Partial<Typed>), [form]);
  const send = async ({ key = '', company, owner }: Typed) => {
    setBusy(true);
    setRefused(null);
    const answer = await asked(setUp({ company: { ...nothing, ...company }, owner, key }));
    setBusy(false);
    if (answer && !answer.ok) {
      putAtFields(form, answer.problem);
      setRefused(answer.problem.detail);
    }
  };
  return (
    <main className="set-up">
      <h1>Set up your company</h1>
      <p className="soft">
        Two minutes. Only your company’s name and how you sign in are needed now; all else can be added later,
        and changed at any time.
      </p>
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        scrollToFirstError={{ focus: true }}
        initialValues={{ company: nothing }}
        onFinish={(typed) => void send(typed)}
      >
        <h2>You, the owner</h2>
        <div className="fields-in-two">
          <Form.Item
            name={['owner', 'name']}
            label="Your name"
            rules={[{ required: true, whitespace: true, message: 'Type your name.' }]}
          >
            <Input autoComplete="name" autoFocus maxLength={120} />
          </Form.Item>
          <Form.Item
            name={['owner', 'email']}
            label="Email you sign in with"
            rules={[
              { required: true, message: 'Type your email.' },
              { type: 'email', message: 'This is no email address.' },
            ]}
          >
            <Input type="email" autoComplete="username" maxLength={200} />
          </Form.Item>
          <PasswordField name={['owner', 'password']} />
        </div>
        <h2>Your company</h2>
        <CompanyFields
          onCountry={(country) => form.setFieldsValue({ company: usualIn(country) } as Partial<Typed>)}
        />
        <h2>In what you reckon</h2>
        <ReckoningFields />
        {asksForKey && (
          <Form.Item
            name="key"
            label="Key of this set-up"
            extra="The server says it in its log when it starts, so that nobody else sets up your company."
            rules={[{ required: true, message: 'Type the key.' }]}
          >
            <Input autoComplete="off" maxLength={100} />
          </Form.Item>
        )}
        {refused && <Alert type="error" title={refused} showIcon className="below" />}
        <Button type="primary" size="large" htmlType="submit" loading={busy}>
          Set it up
        </Button>
      </Form>
    </main>
  );
}
