'use client';

import { Button, Space } from 'antd';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import type { Answer } from '@/model';
import { webhookEvents } from '@/model/webhookEvents';
import type { ShownWebhook, WebhookNews } from '@/services/webhooks/webhooks';
import { showInstant } from '@/ui/instants';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useConfirmed } from '@/ui/useConfirmed';
import { useSubmit } from '@/ui/useSubmit';
import { AddDialog, said, SentDialog } from './WebhookDialogs';

export interface WebhooksProps {
  readonly webhooks: readonly ShownWebhook[];
  readonly demo: boolean;
  readonly timeZone: string;
  readonly add: (input: unknown) => Promise<Answer<{ readonly secret: string }>>;
  readonly end: (id: string) => Promise<Answer<void>>;
  readonly sent: (id: string) => Promise<Answer<WebhookNews>>;
  readonly tryIt: (id: string) => Promise<Answer<void>>;
  readonly again: (id: string) => Promise<Answer<{ readonly sent: number }>>;
}

/** How many news there are of: all of them, one, or so many. */
const newsOf = (events: readonly string[]) =>
  events.length === webhookEvents.length
    ? 'all news'
    : events.length === 1
      ? said(events[0]!)
      : `${events.length} kinds of news`;

/** Where news of what happens goes, whether it arrives, and what was sent. */
export function WebhooksPanel({ webhooks, demo, timeZone, add, end, sent, tryIt, again }: WebhooksProps) {
  const [adding, setAdding] = useState(false);
  const [shown, setShown] = useState<{ readonly of: ShownWebhook; readonly news: WebhookNews } | null>(null);
  const router = useRouter();
  const { submit } = useSubmit({ tells: true });
  const look = (of: ShownWebhook) =>
    void submit(() => sent(of.id), { rereads: false, then: (news) => setShown({ of, news }) });
  return (
    <>
      <h3 className="above-more">News to other programs</h3>
      <p className="soft">
        What happens is told to a door of another program, signed (a webhook).
        {demo && ' This is a demo: nothing leaves this machine.'}
      </p>
      {webhooks.length > 0 && (
        <PlainTable
          label="News to other programs"
          rows={webhooks}
          rowKey={({ id }) => id}
          columns={[
            {
              key: 'address',
              title: 'Where it goes',
              className: 'anywhere',
              cell: ({ address, by, createdAt }) => (
                <>
                  {address}{' '}
                  <span className="soft">
                    by {by}, {showInstant(createdAt, timeZone)}
                  </span>
                </>
              ),
            },
            {
              key: 'events',
              title: 'News',
              className: 'nowrap',
              cell: ({ events }) => <span title={events.map(said).join('. ')}>{newsOf(events)}</span>,
            },
            {
              key: 'how',
              title: 'How it goes',
              className: 'nowrap',
              cell: ({ waiting, failed }) =>
                failed > 0 ? (
                  <span className="wrong">{failed} could not be sent</span>
                ) : waiting > 0 ? (
                  `${waiting} on the way`
                ) : (
                  'nothing waits'
                ),
            },
            {
              key: 'acts',
              title: '',
              figure: true,
              cell: (row) => <RowActs {...{ row, demo, end, tryIt, again }} look={() => look(row)} />,
            },
          ]}
        />
      )}
      <Button className={webhooks.length > 0 ? 'above' : ''} onClick={() => setAdding(true)}>
        Send news to a program
      </Button>
      {adding && (
        <AddDialog
          add={add}
          close={() => {
            setAdding(false);
            router.refresh();
          }}
        />
      )}
      {shown && <SentDialog {...shown} timeZone={timeZone} close={() => setShown(null)} />}
    </>
  );
}

/** What can be done with one of them. */
function RowActs({
  row,
  demo,
  end,
  tryIt,
  again,
  look,
}: Pick<WebhooksProps, 'demo' | 'end' | 'tryIt' | 'again'> & {
  readonly row: ShownWebhook;
  readonly look: () => void;
}) {
  const router = useRouter();
  const confirmed = useConfirmed();
  const { busy, submit } = useSubmit({ tells: true });
  return (
    <Space size="small">
      {row.failed > 0 && (
        <Button
          size="small"
          disabled={busy}
          onClick={() =>
            void submit(() => again(row.id), {
              said: ({ sent: count }) => `${count} sent again.`,
            })
          }
        >
          Send again
        </Button>
      )}
      <Button
        size="small"
        disabled={busy}
        aria-label={`Send a trial to ${row.address}`}
        onClick={() =>
          void submit(() => tryIt(row.id), {
            said: demo ? 'It stays here.' : 'It is on the way.',
          })
        }
      >
        Trial
      </Button>
      <Button size="small" disabled={busy} aria-label={`What was sent to ${row.address}`} onClick={look}>
        Sent
      </Button>
      <Button
        size="small"
        aria-label={`End the news to ${row.address}`}
        onClick={() =>
          confirmed(
            {
              title: 'End the news to it?',
              content: `${row.address} hears nothing more from this moment on.`,
              okText: 'End it',
            },
            async () => {
              const answer = await end(row.id);
              router.refresh();
              return answer;
            },
          )
        }
      >
        End
      </Button>
    </Space>
  );
}
