'use client';

import { Alert, Form, Input, Modal } from 'antd';
import { useState } from 'react';
import type { Authenticator } from '@/services/accounts/secondStep';
import { useSubmit } from '@/ui/useSubmit';
import type { OwnActions } from './actions';
import { RecoveryCodes } from './RecoveryCodes';

/** Password, then the picture to scan and its first code, then the recovery codes. */
export function SetUpSecondStep({
  actions,
  close,
}: {
  readonly actions: Pick<OwnActions, 'beginSecondStep' | 'confirmSecondStep'>;
  readonly close: () => void;
}) {
  const { busy, refused, submit } = useSubmit();
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const [begun, setBegun] = useState<Authenticator | null>(null);
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  const next = async () => {
    if (codes) return close();
    if (begun) {
      await submit(() => actions.confirmSecondStep(code), { then: setCodes });
      return;
    }
    await submit(() => actions.beginSecondStep(password), { then: setBegun, rereads: false });
  };
  return (
    <Modal
      open
      title="Set up an authenticator"
      okText={codes ? 'I have them' : begun ? 'That is the code' : 'Go on'}
      cancelText="Cancel"
      {...(codes ? { cancelButtonProps: { style: { display: 'none' } } } : {})}
      okButtonProps={{ disabled: !codes && (begun ? code.trim() : password) === '' }}
      confirmLoading={busy}
      onOk={() => void next()}
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} className="below" />}
      {codes ? (
        <RecoveryCodes codes={codes} />
      ) : begun ? (
        <Form layout="vertical" onFinish={() => void next()}>
          <p>Scan this with an authenticator app on your phone, or type the secret into it.</p>
          {/* eslint-disable-next-line @next/next/no-img-element -- a picture made for this moment, in line */}
          <img className="second-step-code" src={begun.picture} alt="Code to scan" width={200} height={200} />
          <p className="second-step-secret">{begun.secret.replace(/(.{4})/g, '$1 ')}</p>
          <Form.Item label="The six digits it shows now" htmlFor="second-step-digits">
            <Input
              id="second-step-digits"
              value={code}
              autoFocus
              autoComplete="one-time-code"
              inputMode="numeric"
              maxLength={8}
              onChange={({ target }) => setCode(target.value)}
            />
          </Form.Item>
        </Form>
      ) : (
        <Form layout="vertical" onFinish={() => void next()}>
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
