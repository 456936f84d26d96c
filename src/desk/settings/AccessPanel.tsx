'use client';

import { Alert, Button, Form, Input, Modal, Select } from 'antd';
import { useState } from 'react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import type { Answer, Permission } from '@/model';
import { permissions } from '@/model/permissions';
import type { ShownToken } from '@/services/access/tokens';
import { PermissionChecks } from '@/desk/people/PermissionChecks';
import { showInstant } from '@/ui/instants';
import { useHeld } from '@/ui/may/May';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useConfirmed } from '@/ui/useConfirmed';
import { useSubmit } from '@/ui/useSubmit';
import { ShownOnce } from './ShownOnce';
import '@/desk/people/people.css';

export interface AccessProps {
  readonly tokens: readonly ShownToken[];
  readonly timeZone: string;
  /** The instant of the page, for what ran out. */
  readonly now: string;
  readonly give: (input: unknown) => Promise<Answer<{ readonly token: string }>>;
  readonly end: (id: string) => Promise<Answer<void>>;
}

const nameOf = (key: Permission) => permissions.find((each) => each.key === key)!.name;

/** Which other programs may ask here, for what and how long; a new one is given its token once. */
export function AccessPanel({ tokens, timeZone, now, give, end }: AccessProps) {
  const [giving, setGiving] = useState(false);
  const router = useRouter();
  const confirmed = useConfirmed();
  return (
    <>
      <h3 className="above-more">Access for other programs</h3>
      <p className="soft">
        A program asks with a token, in the name of who gave it, and never for more than they may do
        themselves. <code>{'Authorization: Bearer …'}</code>{' '}
        <Link href="/interface" prefetch={false}>
          Everything it can ask
        </Link>
      </p>
      {tokens.length > 0 && (
        <PlainTable
          label="Access for other programs"
          rows={tokens}
          rowKey={({ id }) => id}
          columns={[
            {
              key: 'name',
              title: 'Program',
              className: 'anywhere',
              cell: ({ name, by }) => (
                <>
                  {name} <span className="soft">by {by}</span>
                </>
              ),
            },
            { key: 'may', title: 'May', cell: (row) => row.permissions.map(nameOf).join(', ') },
            {
              key: 'until',
              title: 'Until',
              className: 'nowrap',
              cell: ({ expiresAt }) =>
                expiresAt <= now ? (
                  <span className="wrong">ran out {showInstant(expiresAt, timeZone)}</span>
                ) : (
                  showInstant(expiresAt, timeZone)
                ),
            },
            {
              key: 'used',
              title: 'Last used',
              className: 'nowrap',
              cell: ({ lastUsedAt }) => (lastUsedAt === null ? 'never' : showInstant(lastUsedAt, timeZone)),
            },
            {
              key: 'act',
              title: '',
              figure: true,
              cell: ({ id, name }) => (
                <Button
                  size="small"
                  aria-label={`End the access of ${name}`}
                  onClick={() =>
                    confirmed(
                      {
                        title: `End the access of ${name}?`,
                        content: 'It is refused from this moment on. Another token can be given later.',
                        okText: 'End it',
                      },
                      async () => {
                        const answer = await end(id);
                        router.refresh();
                        return answer;
                      },
                    )
                  }
                >
                  End
                </Button>
              ),
            },
          ]}
        />
      )}
      <Button className={tokens.length > 0 ? 'above' : ''} onClick={() => setGiving(true)}>
        Give a program access
      </Button>
      {giving && (
        <GiveDialog
          give={give}
          close={() => {
            setGiving(false);
            router.refresh();
          }}
        />
      )}
    </>
  );
}

const spans = [30, 90, 180, 366].map((days) => ({
  value: days,
  label: days === 366 ? 'for a year' : `for ${days} days`,
}));

function GiveDialog({ give, close }: { readonly give: AccessProps['give']; readonly close: () => void }) {
  const own = useHeld();
  const [name, setName] = useState('');
  const [held, setHeld] = useState<readonly Permission[]>([]);
  const [days, setDays] = useState(90);
  const [token, setToken] = useState<string | null>(null);
  const { busy, refused, submit } = useSubmit();
  if (token !== null)
    return (
      <ShownOnce
        title="Its token"
        says="Copy it to the program now: it is not shown again. Whoever has it may do what the program may."
        label="Token"
        value={token}
        close={close}
      />
    );
  return (
    <Modal
      open
      width={640}
      title="Give a program access"
      okText="Give it"
      cancelText="Cancel"
      okButtonProps={{ disabled: name.trim() === '' || held.length === 0 }}
      confirmLoading={busy}
      onOk={() =>
        void submit(() => give({ name: name.trim(), permissions: held, days }), {
          then: (given) => setToken(given.token),
        })
      }
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} className="below" />}
      <Form layout="vertical" component="div" requiredMark={false}>
        <Form.Item label="What the program is called" htmlFor="program-name">
          <Input
            id="program-name"
            value={name}
            maxLength={100}
            autoFocus
            placeholder="Bookkeeping, nightly"
            onChange={({ target }) => setName(target.value)}
          />
        </Form.Item>
      </Form>
      <PermissionChecks held={held} offered={own} change={setHeld} />
      <Select aria-label="How long" value={days} options={spans} onChange={setDays} />
    </Modal>
  );
}
