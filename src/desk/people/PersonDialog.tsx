'use client';

import { Alert, Button, Form, Input, Modal, Select } from 'antd';
import { useEffect, useState } from 'react';
import { asked } from '@/ui/asked';
import { showInstant } from '@/ui/instants';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useSubmit } from '@/ui/useSubmit';
import type { PeopleActions, PersonView, RoleView, SessionView } from './actions';
import { LeavingPart } from './LeavingPart';

/** One of the company: what they are called, their role, where they are signed in, and what becomes of their work. */
export function PersonDialog({
  person,
  others,
  roles,
  timeZone,
  actions,
  close,
}: {
  readonly person: PersonView;
  /** Who could go on with their work. */
  readonly others: readonly PersonView[];
  readonly roles: readonly RoleView[];
  readonly timeZone: string;
  readonly actions: PeopleActions;
  readonly close: () => void;
}) {
  const { busy, refused, submit } = useSubmit();
  const [typed, setTyped] = useState({ name: person.name, roleId: person.roleId });
  const save = async () => {
    const { name, roleId } = typed;
    const renamed =
      name.trim() === person.name || (await submit(() => actions.rename({ userId: person.id, name })));
    const given =
      renamed &&
      (roleId === person.roleId || (await submit(() => actions.giveRole({ userId: person.id, roleId }))));
    if (given) close();
  };
  return (
    <Modal
      open
      width={620}
      title={person.name}
      okText="Save"
      cancelText="Close"
      okButtonProps={{ disabled: typed.name.trim() === '' }}
      confirmLoading={busy}
      onOk={() => void save()}
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} className="below" />}
      <Form layout="vertical" component="div" requiredMark={false}>
        <Form.Item label="Name" htmlFor="person-name">
          <Input
            id="person-name"
            value={typed.name}
            maxLength={120}
            onChange={({ target }) => setTyped((before) => ({ ...before, name: target.value }))}
          />
        </Form.Item>
        <Form.Item
          label="Role"
          htmlFor="person-role"
          extra={
            person.second
              ? 'A code of an authenticator is asked for when they sign in.'
              : 'No authenticator is set up.'
          }
        >
          <Select
            id="person-role"
            value={typed.roleId}
            options={roles
              .filter(({ id, mayGive }) => mayGive || id === person.roleId)
              .map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(roleId) => setTyped((before) => ({ ...before, roleId }))}
          />
        </Form.Item>
      </Form>
      {!person.disabledAt && <SessionsPart person={person} timeZone={timeZone} actions={actions} />}
      <LeavingPart person={person} others={others} actions={actions} close={close} />
    </Modal>
  );
}

/** Where they are signed in; each can be ended. */
function SessionsPart({
  person,
  timeZone,
  actions,
}: {
  readonly person: PersonView;
  readonly timeZone: string;
  readonly actions: Pick<PeopleActions, 'sessionsOf' | 'endSession'>;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  const [sessions, setSessions] = useState<readonly SessionView[] | null>(null);
  const [round, setRound] = useState(0);
  const { sessionsOf } = actions;
  useEffect(() => {
    let here = true;
    void asked(sessionsOf(person.id)).then((answer) => {
      if (here && answer.ok) setSessions(answer.value);
    });
    return () => {
      here = false;
    };
  }, [sessionsOf, person.id, round]);
  if (sessions === null) return <p className="soft">Looking where they are signed in …</p>;
  if (sessions.length === 0) return <p className="soft">Signed in nowhere.</p>;
  return (
    <PlainTable
      label={`Where ${person.name} is signed in`}
      rows={sessions}
      rowKey={({ id }) => id}
      columns={[
        {
          key: 'browser',
          title: 'Signed in with',
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
          key: 'act',
          title: '',
          figure: true,
          cell: ({ id }) => (
            <Button
              size="small"
              loading={busy}
              onClick={() =>
                void submit(() => actions.endSession({ userId: person.id, sessionId: id }), {
                  then: () => setRound((before) => before + 1),
                  rereads: false,
                })
              }
            >
              End
            </Button>
          ),
        },
      ]}
    />
  );
}
