'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { permissionKeys, permissions } from '@/model/permissions';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useConfirmed } from '@/ui/useConfirmed';
import type { PeopleActions, RoleView } from './actions';
import { RoleDialog } from './RoleDialog';

/** What a role may do, in a line: what it has, or what it lacks where that is shorter. */
export function roleWords(held: RoleView['permissions']): string {
  const lacks = permissions.filter(({ key }) => !held.includes(key));
  if (lacks.length === 0) return 'Everything';
  const words = (some: readonly { readonly name: string }[]) => some.map(({ name }) => name).join(', ');
  return lacks.length < permissionKeys.length / 2
    ? `Everything but: ${words(lacks)}`
    : words(permissions.filter(({ key }) => held.includes(key))) || 'Nothing';
}

/** The roles of the company; an owner changes what they may do. */
export function Roles({
  roles,
  isOwner,
  actions,
}: {
  readonly roles: readonly RoleView[];
  readonly isOwner: boolean;
  readonly actions: Pick<PeopleActions, 'saveRole' | 'removeRole'>;
}) {
  const confirmed = useConfirmed();
  const [open, setOpen] = useState<RoleView | 'new' | null>(null);
  return (
    <section className="people-part">
      <h3>Roles</h3>
      <PlainTable
        label="Roles"
        rows={roles}
        rowKey={({ id }) => id}
        columns={[
          { key: 'name', title: 'Role', className: 'anywhere', cell: ({ name }) => name },
          {
            key: 'may',
            title: 'May',
            cell: (role) => roleWords(role.kind === 'owner' ? permissionKeys : role.permissions),
          },
          { key: 'people', title: 'People', figure: true, cell: ({ people }) => people || '' },
          {
            key: 'act',
            title: '',
            figure: true,
            cell: (role) =>
              isOwner && (
                <span className="row-acts">
                  <Button size="small" onClick={() => setOpen(role)}>
                    Change
                  </Button>{' '}
                  {role.kind !== 'owner' && role.people === 0 && (
                    <Button
                      size="small"
                      onClick={() =>
                        confirmed(
                          {
                            title: `Take the role “${role.name}” away?`,
                            content: 'Nobody has it now.',
                            okText: 'Take it away',
                          },
                          () => actions.removeRole(role.id),
                        )
                      }
                    >
                      Remove
                    </Button>
                  )}
                </span>
              ),
          },
        ]}
      />
      {isOwner ? (
        <Button onClick={() => setOpen('new')}>New role</Button>
      ) : (
        <p className="soft">What a role may do is changed by an owner.</p>
      )}
      {open && (
        <RoleDialog role={open === 'new' ? null : open} save={actions.saveRole} close={() => setOpen(null)} />
      )}
    </section>
  );
}
