'use client';

import { Alert, Button, Space } from 'antd';
import type { Answer } from '@/model';
import type { MailConnection } from '@/services/settings/connections';
import { showInstant } from '@/ui/instants';
import { LinkButton } from '@/ui/LinkButton';
import { useSubmit } from '@/ui/useSubmit';

const letters = (count: number) => (count === 1 ? '1 letter' : `${count} letters`);

/** How the company's letters leave the house, whether they arrive, and what to do about those that did not. */
export function ConnectionsPanel({
  mail,
  demo,
  timeZone,
  sendTrial,
  sendAgain,
}: {
  readonly mail: MailConnection;
  readonly demo: boolean;
  readonly timeZone: string;
  readonly sendTrial: () => Promise<Answer<{ readonly to: string }>>;
  readonly sendAgain: () => Promise<Answer<{ readonly sent: number }>>;
}) {
  const { busy, refused, submit } = useSubmit();
  const { carrier, waiting, failed, returned, lastSent, lastTrouble } = mail;
  return (
    <>
      <h3>Mail</h3>
      {refused && <Alert type="error" title={refused} className="below" />}
      {carrier === null ? (
        <p>
          {demo
            ? 'This is a demo: its letters never leave this machine. They are read in the outbox.'
            : 'No mail server is connected: letters are kept in the outbox, and none leaves this machine. Whoever runs the machine connects one (IMPEGNO_SMTP_URL and IMPEGNO_MAIL_FROM).'}
        </p>
      ) : (
        <>
          <p>
            Letters go out by <strong>{carrier}</strong>.
            {lastSent !== null && ` The last one left ${showInstant(lastSent, timeZone)}.`}
          </p>
          <ul>
            <li>{waiting === 0 ? 'Nothing waits.' : `${letters(waiting)} in the post.`}</li>
            {returned > 0 && <li>{letters(returned)} came back.</li>}
            {failed > 0 && <li className="wrong">{letters(failed)} could not be sent.</li>}
          </ul>
          {waiting + failed > 0 && lastTrouble !== null && <p className="soft">{lastTrouble}</p>}
        </>
      )}
      <Space wrap>
        <Button
          loading={busy}
          onClick={() =>
            void submit(sendTrial, {
              said: ({ to }) => (carrier === null ? `It is in the outbox.` : `It goes to ${to}.`),
            })
          }
        >
          Send me a trial letter
        </Button>
        {failed > 0 && (
          <Button
            loading={busy}
            onClick={() =>
              void submit(sendAgain, { said: ({ sent }) => `${letters(sent)} in the post again.` })
            }
          >
            Send the {failed === 1 ? 'one' : failed} again
          </Button>
        )}
        <LinkButton href={failed > 0 ? '/outbox?state=failed' : '/outbox'}>Outbox</LinkButton>
      </Space>
    </>
  );
}
