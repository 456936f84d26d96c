'use client';

import { Alert, Form, Input, Modal } from 'antd';
import { useState } from 'react';
import type { Permission } from '@/model';
import { permissionKeys } from '@/model/permissions';
import { useSubmit } from '@/ui/useSubmit';
import type { PeopleActions, RoleView } from './actions';
import { PermissionChecks } from './PermissionChecks';

/** What a role is called and what it may do. What a permission cannot be without comes and goes with it. */
export function RoleDialog({
  role,
  save,
  close,
}: {
  /** Null: a new one. */
  readonly role: RoleView | null;
  readonly save: PeopleActions['saveRole'];
  readonly close: () => void;
}) {
  const isOwners = role?.kind === 'owner';
  const { busy, refused, submit } = useSubmit();
  const [name, setName] = useState(role?.name ?? '');
  const [held, setHeld] = useState<readonly Permission[]>(role?.permissions ?? []);
  const [discount, setDiscount] = useState(role?.discount ?? '');
  const store = () =>
    submit(
      () =>
        save({
          ...(role ? { id: role.id } : {}),
          ...{
            name: name.trim(),
            permissions: held,
            discount: discount.trim() === '' ? null : discount.trim(),
          },
        }),
      { said: 'Saved. It holds from now on.', then: close },
    );
  return (
    <Modal
      open
      width={640}
      title={role ? role.name : 'A new role'}
      okText="Save"
      cancelText="Cancel"
      okButtonProps={{ disabled: name.trim() === '' }}
      confirmLoading={busy}
      onOk={() => void store()}
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} className="below" />}
      <Form layout="vertical" component="div" requiredMark={false}>
        <Form.Item label="Name" htmlFor="role-name">
          <Input
            id="role-name"
            value={name}
            maxLength={60}
            autoFocus={role === null}
            onChange={({ target }) => setName(target.value)}
          />
        </Form.Item>
      </Form>
      {isOwners && <p className="soft">An owner may do everything; a company cannot lock itself out.</p>}
      <PermissionChecks held={isOwners ? permissionKeys : held} disabled={isOwners} change={setHeld} />
      {!isOwners && (
        <label className="role-discount">
          Without approval they take off at most{' '}
          <Input
            value={discount}
            inputMode="decimal"
            aria-label="Most they take off, in percent"
            placeholder="as in Pricing"
            onChange={({ target }) => setDiscount(target.value)}
          />{' '}
          %
        </label>
      )}
    </Modal>
  );
}
