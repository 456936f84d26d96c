'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { CopyAddress } from '@/ui/CopyAddress';
import { showInstant } from '@/ui/instants';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useConfirmed } from '@/ui/useConfirmed';
import { useSubmit } from '@/ui/useSubmit';
import type { InvitationView, PeopleActions } from './actions';

/** Who was asked to join and did not yet. */
export function Invitations({
  invitations,
  timeZone,
  actions,
}: {
  readonly invitations: readonly InvitationView[];
  readonly timeZone: string;
  readonly actions: Pick<PeopleActions, 'showInvitation' | 'revokeInvitation'>;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  const confirmed = useConfirmed();
  const [shown, setShown] = useState<{ readonly id: string; readonly address: string } | null>(null);
  if (invitations.length === 0) return null;
  const show = (id: string) =>
    void submit(() => actions.showInvitation(id), {
      then: ({ address }) => setShown({ id, address }),
      rereads: false,
    });
  return (
    <section className="people-part">
      <h3>Invited</h3>
      <PlainTable
        label="Invited"
        rows={invitations}
        rowKey={({ id }) => id}
        columns={[
          { key: 'name', title: 'Name', className: 'anywhere', cell: ({ name }) => name },
          { key: 'email', title: 'Email', className: 'anywhere', cell: ({ email }) => email },
          { key: 'role', title: 'Role', cell: ({ role }) => role },
          {
            key: 'until',
            title: 'Good until',
            className: 'nowrap',
            cell: ({ expiresAt, over }) =>
              over ? <span className="wrong">ran out</span> : showInstant(expiresAt, timeZone),
          },
          {
            key: 'act',
            title: '',
            figure: true,
            cell: ({ id, name, over }) => (
              <span className="row-acts">
                {!over && (
                  <Button size="small" loading={busy} onClick={() => show(id)}>
                    Link
                  </Button>
                )}{' '}
                <Button
                  size="small"
                  onClick={() =>
                    confirmed(
                      {
                        title: `Take the invitation of ${name} back?`,
                        content: 'Their link leads nowhere then. You can invite them again.',
                        okText: 'Take it back',
                      },
                      () => actions.revokeInvitation(id),
                    )
                  }
                >
                  Take back
                </Button>
              </span>
            ),
          },
        ]}
      />
      {shown && <CopyAddress address={shown.address} label="Link of the invitation" />}
    </section>
  );
}
