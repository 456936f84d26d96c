'use client';

import { App, Button, Segmented } from 'antd';
import type { listSessions } from '@/services/accounts/session';
import type { Answer } from '@/model';
import { showInstant } from '@/ui/instants';
import { withPatience } from '@/ui/patience';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useSubmit } from '@/ui/useSubmit';

/** Where one is signed in, and how the desk looks. */
export function OfYou({
  sessions,
  timeZone,
  look,
  revoke,
  setLook,
}: {
  readonly sessions: Awaited<ReturnType<typeof listSessions>>;
  readonly timeZone: string;
  readonly look: string;
  readonly revoke: (id: string) => Promise<Answer<void>>;
  readonly setLook: (look: string) => Promise<void>;
}) {
  const { message } = App.useApp();
  const { busy, submit } = useSubmit({ tells: true });
  return (
    <>
      <h2>Where you are signed in</h2>
      <PlainTable
        label="Where you are signed in"
        rows={sessions}
        rowKey={({ id }) => id}
        columns={[
          {
            key: 'browser',
            title: 'Browser',
            className: 'anywhere',
            cell: ({ browser }) => browser || 'Unknown browser',
          },
          {
            key: 'since',
            title: 'Since',
            className: 'nowrap',
            cell: ({ createdAt }) => showInstant(createdAt, timeZone),
          },
          {
            key: 'act',
            title: '',
            figure: true,
            cell: ({ id, current }) =>
              current ? (
                <span className="soft">this one</span>
              ) : (
                <Button size="small" loading={busy} onClick={() => void submit(() => revoke(id))}>
                  Sign it out
                </Button>
              ),
          },
        ]}
      />
      <h2>Look</h2>
      <Segmented
        value={look}
        options={[
          { value: 'system', label: 'As the system' },
          { value: 'light', label: 'Light' },
          { value: 'dark', label: 'Dark' },
        ]}
        onChange={(next) => {
          withPatience(setLook(String(next))).then(
            () => window.location.reload(),
            () => message.error('The server did not answer.'),
          );
        }}
      />
    </>
  );
}
