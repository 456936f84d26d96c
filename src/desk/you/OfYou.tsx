'use client';

import { App, Button, Form, Input, Segmented } from 'antd';
import { useState } from 'react';
import type { readOwnSignIn } from '@/services/accounts/secondStep';
import type { listSessions } from '@/services/accounts/session';
import { showInstant } from '@/ui/instants';
import { withPatience } from '@/ui/patience';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useConfirmed } from '@/ui/useConfirmed';
import { useSubmit } from '@/ui/useSubmit';
import type { OwnActions } from './actions';
import { ChangeEmail } from './ChangeEmail';
import { ChangePassword } from './ChangePassword';
import { SecondStep } from './SecondStep';
import './you.css';

/** What one is called, how one signs in, where one is signed in, and how the desk looks. */
export function OfYou({
  you,
  signIn,
  sessions,
  timeZone,
  look,
  actions,
}: {
  readonly you: { readonly id: string; readonly name: string; readonly role: string };
  readonly signIn: Awaited<ReturnType<typeof readOwnSignIn>>;
  readonly sessions: Awaited<ReturnType<typeof listSessions>>;
  readonly timeZone: string;
  readonly look: string;
  readonly actions: OwnActions;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  const confirmed = useConfirmed();
  const [name, setName] = useState(you.name);
  return (
    <>
      <Form layout="vertical" component="div">
        <Form.Item label="Your name, as customers read it" htmlFor="own-name">
          <div className="own-name">
            <Input
              id="own-name"
              value={name}
              maxLength={120}
              onChange={({ target }) => setName(target.value)}
            />
            <Button
              loading={busy}
              disabled={name.trim() === '' || name.trim() === you.name}
              onClick={() => void submit(() => actions.rename({ userId: you.id, name }), { said: 'Saved.' })}
            >
              Save
            </Button>
          </div>
        </Form.Item>
      </Form>
      <p className="soft">
        You sign in with {signIn.email}; your role is {you.role}.
      </p>
      <ChangePassword change={actions.changePassword} email={signIn.email} />{' '}
      <ChangeEmail ask={actions.askForEmail} email={signIn.email} />
      <h2>Second step</h2>
      <SecondStep since={signIn.secondSince} codesLeft={signIn.codesLeft} actions={actions} />
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
            cell: ({ browser, origin }) => (
              <>
                {browser} {origin && <span className="soft">from {origin}</span>}
              </>
            ),
          },
          {
            key: 'seen',
            title: 'Last there',
            className: 'nowrap',
            cell: ({ lastSeenAt }) => showInstant(lastSeenAt, timeZone),
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
                <Button size="small" loading={busy} onClick={() => void submit(() => actions.revoke(id))}>
                  Sign it out
                </Button>
              ),
          },
        ]}
      />
      {sessions.length > 1 && (
        <Button
          onClick={() =>
            confirmed(
              {
                title: 'Sign out everywhere else?',
                content: 'Only this browser stays signed in.',
                okText: 'Sign out there',
              },
              actions.endOthers,
            )
          }
        >
          Sign out everywhere else
        </Button>
      )}
      <h2>Look</h2>
      <Look look={look} setLook={actions.setLook} />
    </>
  );
}

/** Light or dark; the page is drawn anew with it. */
function Look({ look, setLook }: { readonly look: string; readonly setLook: OwnActions['setLook'] }) {
  const { message } = App.useApp();
  return (
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
  );
}
