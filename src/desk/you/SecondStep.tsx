'use client';

import { Alert, Button, Form, Input, Modal } from 'antd';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { counted } from '@/core/text/counted';
import type { Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import type { OwnActions } from './actions';
import { RecoveryCodes } from './RecoveryCodes';
import { SetUpSecondStep } from './SetUpSecondStep';

type Doing = 'set up' | 'end' | 'renew';

/** Whether a code of an authenticator is asked for when one signs in. */
export function SecondStep({
  since,
  codesLeft,
  actions,
}: {
  readonly since: string | null;
  readonly codesLeft: number;
  readonly actions: Pick<
    OwnActions,
    'beginSecondStep' | 'confirmSecondStep' | 'endSecondStep' | 'renewCodes'
  >;
}) {
  const [doing, setDoing] = useState<Doing | null>(null);
  const close = () => setDoing(null);
  return (
    <>
      <p>
        {since === null
          ? 'Only your password is asked for. With an authenticator on your phone, a stolen password opens nothing.'
          : `A code of your authenticator is asked for. ${counted(codesLeft, 'recovery code')} left.`}
      </p>
      {since === null ? (
        <Button onClick={() => setDoing('set up')}>Set up an authenticator</Button>
      ) : (
        <>
          <Button onClick={() => setDoing('renew')}>New recovery codes</Button>{' '}
          <Button onClick={() => setDoing('end')}>Do without it</Button>
        </>
      )}
      {doing === 'set up' && <SetUpSecondStep actions={actions} close={close} />}
      {doing === 'renew' && (
        <PasswordFirst
          title="New recovery codes"
          says="Those you have are void then."
          okText="Make new ones"
          act={actions.renewCodes}
          shows={(codes) => <RecoveryCodes codes={codes} />}
          close={close}
        />
      )}
      {doing === 'end' && (
        <PasswordFirst
          title="Do without the authenticator?"
          says="Only your password is asked for then."
          okText="Do without it"
          act={actions.endSecondStep}
          close={close}
        />
      )}
    </>
  );
}

/** What changes how one signs in asks for the password again. */
function PasswordFirst<T>({
  title,
  says,
  okText,
  act,
  shows,
  close,
}: {
  readonly title: string;
  readonly says: string;
  readonly okText: string;
  readonly act: (password: unknown) => Promise<Answer<T>>;
  /** What is shown of what came of it; without it, it is done. */
  readonly shows?: (value: T) => ReactNode;
  readonly close: () => void;
}) {
  const [password, setPassword] = useState('');
  const [given, setGiven] = useState<{ readonly value: T } | null>(null);
  const { busy, refused, submit } = useSubmit();
  const go = () =>
    submit(() => act(password), {
      then: (value) => (shows ? setGiven({ value }) : close()),
    });
  return (
    <Modal
      open
      title={title}
      okText={given ? 'I have them' : okText}
      cancelText="Cancel"
      {...(given ? { cancelButtonProps: { style: { display: 'none' } } } : {})}
      okButtonProps={{ disabled: !given && password === '' }}
      confirmLoading={busy}
      onOk={() => (given ? close() : void go())}
      onCancel={close}
    >
      {given && shows ? (
        shows(given.value)
      ) : (
        <Form layout="vertical" onFinish={() => void go()}>
          {refused && <Alert type="error" title={refused} className="below" />}
          <p>{says}</p>
          <Form.Item label="Your password" htmlFor="own-password">
            <Input.Password
              id="own-password"
              autoFocus
              autoComplete="current-password"
              value={password}
              maxLength={200}
              onChange={({ target }) => setPassword(target.value)}
            />
          </Form.Item>
        </Form>
      )}
    </Modal>
  );
}
