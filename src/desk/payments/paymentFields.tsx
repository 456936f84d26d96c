import { Alert, Form, Input, Radio } from 'antd';
import { DayPicker } from '@/ui/fields/DayPicker';
import { useMethods } from './OwnMethods';

/* Fields of a payment that was received, whatever it goes on. */

/** By which way it came, and when. */
export function HowItCame({ today }: { readonly today: string }) {
  const { options, isThere } = useMethods();
  const picked = {
    validator: async (_: unknown, way: string | undefined) => {
      if (!isThere(way)) throw new Error('Pick how it came.');
    },
  };
  return (
    <>
      <Form.Item name="way" label="How it came" rules={[picked]}>
        <Radio.Group options={options} />
      </Form.Item>
      <Form.Item name="receivedOn" label="Received on" rules={[{ required: true, message: 'Pick the day.' }]}>
        <DayPicker max={today} />
      </Form.Item>
    </>
  );
}

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
