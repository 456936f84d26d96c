'use client';

import { Alert, Button, Form } from 'antd';
import { usualIn } from '@/core/text/countries';
import type { Answer, NewCompanyInput } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import { CompanyFields } from './CompanyFields';
import { ReckoningFields } from './ReckoningFields';
import './setUp.css';

interface Typed {
  readonly company: NewCompanyInput;
}

/** One more company of the same owner, apart from the others in everything but who signs in. */
export function AnotherCompany({
  like,
  demo,
  setUp,
}: {
  /** What the company one is in reckons in, to begin with. */
  readonly like: { readonly country: string; readonly currency: string; readonly timeZone: string };
  readonly demo: boolean;
  readonly setUp: (input: NewCompanyInput) => Promise<Answer<unknown>>;
}) {
  const [form] = Form.useForm<Typed>();
  const { busy, refused, submit } = useSubmit({ form });
  const { country, ...reckoning } = like;
  const nothing: NewCompanyInput = {
    ...{ name: '', email: '', phone: '', website: '', taxNumber: '', licence: '' },
    address: { street: '', city: '', region: '', postcode: '', country },
    ...usualIn(country),
    ...reckoning,
  };
  const send = ({ company }: Typed) =>
    submit(() => setUp({ ...nothing, ...company }), {
      // Everything on the page is of the company it was: it is loaded anew, not gone to.
      then: () => window.location.assign(new URL('/today', window.location.href)),
      rereads: false,
    });
  return (
    <div className="page set-up-another">
      <header className="page-head">
        <h1>Set up another company</h1>
      </header>
      <p className="soft">
        You are its owner, and sign in as you do now. Customers, library, money and people are its own.
        {demo && ' This is a demo: what you set up here is made up too, and goes when the demo is removed.'}
      </p>
      <Form
        form={form}
        className="panel"
        layout="vertical"
        requiredMark={false}
        scrollToFirstError={{ focus: true }}
        initialValues={{ company: nothing }}
        onFinish={(typed) => void send(typed)}
      >
        <CompanyFields />
        <ReckoningFields />
        {refused && <Alert type="error" title={refused} className="below" />}
        <Button type="primary" htmlType="submit" loading={busy}>
          Set it up
        </Button>
      </Form>
    </div>
  );
}
