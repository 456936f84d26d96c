'use client';

import { Alert, Checkbox, Form, Input, Modal } from 'antd';
import { useState } from 'react';
import type { Answer } from '@/model';
import type { WebhookEvent } from '@/model/webhookEvents';
import { webhookEvents } from '@/model/webhookEvents';
import type { ShownWebhook, WebhookNews } from '@/services/webhooks/webhooks';
import { showInstant } from '@/ui/instants';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useSubmit } from '@/ui/useSubmit';
import { ShownOnce } from './ShownOnce';

/** What news says, for people. */
export const said = (event: string) => webhookEvents.find(({ name }) => name === event)?.says ?? 'A trial';

const states = {
  waiting: 'on the way',
  delivered: 'delivered',
  failed: 'not sent',
  held: 'kept here',
} as const;

/** What was sent to one of them lately. */
export function SentDialog({
  of,
  news,
  timeZone,
  close,
}: {
  readonly of: ShownWebhook;
  readonly news: WebhookNews;
  readonly timeZone: string;
  readonly close: () => void;
}) {
  return (
    <Modal open width={760} title={`Sent to ${of.address}`} footer={null} onCancel={close}>
      {news.length === 0 ? (
        <p>Nothing yet.</p>
      ) : (
        <PlainTable
          label="What was sent"
          rows={news}
          rowKey={({ id }) => id}
          columns={[
            { key: 'at', title: 'When', className: 'nowrap', cell: ({ at }) => showInstant(at, timeZone) },
            { key: 'event', title: 'News', cell: ({ event }) => said(event) },
            {
              key: 'state',
              title: 'Delivery',
              cell: ({ state, tries, note }) => (
                <>
                  <span className={state === 'failed' ? 'wrong' : ''}>{states[state]}</span>{' '}
                  <span className="soft">
                    {note}
                    {tries > 1 && ` Tried ${tries} times.`}
                  </span>
                </>
              ),
            },
          ]}
        />
      )}
      {news.length === 50 && <p className="soft">The last 50 are shown.</p>}
    </Modal>
  );
}

/** Says where news goes, and which; its secret is shown once. */
export function AddDialog({
  add,
  close,
}: {
  readonly add: (input: unknown) => Promise<Answer<{ readonly secret: string }>>;
  readonly close: () => void;
}) {
  const [address, setAddress] = useState('');
  const [events, setEvents] = useState<readonly WebhookEvent[]>(webhookEvents.map(({ name }) => name));
  const [secret, setSecret] = useState<string | null>(null);
  const { busy, refused, submit } = useSubmit();
  if (secret !== null)
    return (
      <ShownOnce
        title="Its secret"
        says="Copy it to the program now: it is not shown again. By it the program knows that news is from here."
        label="Secret"
        value={secret}
        close={close}
      />
    );
  return (
    <Modal
      open
      width={640}
      title="Send news to a program"
      okText="Send it"
      cancelText="Cancel"
      okButtonProps={{ disabled: address.trim() === '' || events.length === 0 }}
      confirmLoading={busy}
      onOk={() =>
        void submit(() => add({ address: address.trim(), events }), {
          rereads: false,
          then: (made) => setSecret(made.secret),
        })
      }
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} className="below" />}
      <Form layout="vertical" component="div" requiredMark={false}>
        <Form.Item label="Where it goes" htmlFor="webhook-address">
          <Input
            id="webhook-address"
            value={address}
            maxLength={500}
            autoFocus
            inputMode="url"
            placeholder="https://books.firm.example/impegno"
            onChange={({ target }) => setAddress(target.value)}
          />
        </Form.Item>
      </Form>
      <Checkbox.Group
        className="webhook-events"
        value={[...events]}
        options={webhookEvents.map(({ name, says }) => ({ value: name, label: says }))}
        onChange={(chosen) => setEvents(chosen as WebhookEvent[])}
      />
      <p className="soft above">
        It says what happened to what and when; what stands in it is read with a token.
      </p>
    </Modal>
  );
}
