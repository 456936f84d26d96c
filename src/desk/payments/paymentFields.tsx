import { Alert, Form, Input, Radio } from 'antd';
import { capital } from '@/core/text/capital';
import { methodName } from '@/core/text/names';
import { handMethods } from '@/model/paymentMethods';
import { DayPicker } from '@/ui/fields/DayPicker';

/* Fields of a payment that was received, whatever it goes on. */

/** By which way it came, and when. */
export const HowItCame = ({ today }: { readonly today: string }) => (
  <>
    <Form.Item name="method" label="How it came">
      <Radio.Group options={handMethods.map((value) => ({ value, label: capital(methodName(value)) }))} />
    </Form.Item>
    <Form.Item name="receivedOn" label="Received on" rules={[{ required: true, message: 'Pick the day.' }]}>
      <DayPicker max={today} />
    </Form.Item>
  </>
);

/** The number of the check, or the text of the bank. */
export const Reference = () => (
  <Form.Item name="reference" label="Reference">
    <Input placeholder="Check number, bank text" maxLength={200} />
  </Form.Item>
);

/** What is odd about a payment, asked about once. */
export const Doubts = ({ doubts }: { readonly doubts: readonly string[] }) => (
  <Alert
    type="warning"
    title="Is this so?"
    description={doubts.map((doubt) => (
      <p key={doubt}>{doubt}</p>
    ))}
    className="below"
  />
);
