'use client';

import { Button } from 'antd';
import { useState } from 'react';
import type { PeopleView } from '@/services/people/people';
import { showInstant } from '@/ui/instants';
import { PlainTable } from '@/ui/tables/PlainTable';
import type { PeopleActions, PersonView } from './actions';
import { Invitations } from './Invitations';
import { InviteDialog } from './InviteDialog';
import { PersonDialog } from './PersonDialog';
import { Roles } from './Roles';
import './people.css';

/** Who works here, who is asked to join, and what each may do. */
export function PeoplePanel({
  view: { people, roles, invitations },
  isOwner,
  timeZone,
  actions,
}: {
  readonly view: PeopleView;
  readonly isOwner: boolean;
  readonly timeZone: string;
  readonly actions: PeopleActions;
}) {
  const [inviting, setInviting] = useState(false);
  const [open, setOpen] = useState<PersonView | null>(null);
  return (
    <>
      <PlainTable
        label="People"
        rows={people}
        rowKey={({ id }) => id}
        rowClass={({ disabledAt }) => (disabledAt ? 'person-out' : '')}
        columns={[
          {
            key: 'name',
            title: 'Name',
            className: 'anywhere',
            cell: ({ name, isSelf }) => (
              <>
                {name} {isSelf && <span className="soft">(you)</span>}
              </>
            ),
          },
          { key: 'email', title: 'Email', className: 'anywhere', cell: ({ email }) => email },
          { key: 'role', title: 'Role', cell: ({ role }) => role },
          {
            key: 'seen',
            title: 'Last here',
            className: 'nowrap',
            cell: ({ disabledAt, lastSeenAt }) =>
              disabledAt ? 'deactivated' : lastSeenAt ? showInstant(lastSeenAt, timeZone) : 'never',
          },
          {
            key: 'act',
            title: '',
            figure: true,
            cell: (person) =>
              person.mayChange && (
                <Button size="small" aria-label={`Change ${person.name}`} onClick={() => setOpen(person)}>
                  Change
                </Button>
              ),
          },
        ]}
      />
      <Button type="primary" className="people-invite" onClick={() => setInviting(true)}>
        Invite somebody
      </Button>
      <Invitations invitations={invitations} timeZone={timeZone} actions={actions} />
      <Roles roles={roles} isOwner={isOwner} actions={actions} />
      {inviting && (
        <InviteDialog
          roles={roles.filter(({ mayGive }) => mayGive)}
          invite={actions.invite}
          close={() => setInviting(false)}
        />
      )}
      {open && (
        <PersonDialog
          person={open}
          others={people.filter(({ id, disabledAt }) => id !== open.id && !disabledAt)}
          roles={roles}
          timeZone={timeZone}
          actions={actions}
          close={() => setOpen(null)}
        />
      )}
    </>
  );
}
