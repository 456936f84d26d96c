'use client';

import { Button, Drawer } from 'antd';
import Link from 'next/link';
import { Fragment, useState } from 'react';
import type { MessageListRow } from '@/services/messages/messageList';
import type { Answer } from '@/model';
import { showInstant } from '@/ui/instants';
import { Linked } from '@/ui/Linked';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';
import { useSubmit } from '@/ui/useSubmit';
import type { ShowLinkAction } from '../ShowLink';
import { ShowLink } from '../ShowLink';

/** What can be said of the private link in a letter. */
const LinkOf = ({
  link,
  show,
}: {
  readonly link: NonNullable<MessageListRow['link']>;
  readonly show: ShowLinkAction;
}) =>
  !link.open ? (
    <p className="soft">The private link in it leads nowhere any more.</p>
  ) : link.mayShow ? (
    <ShowLink linkId={link.id} show={show} />
  ) : (
    <p className="soft">
      The private link in it is shown to sellers only: whoever opens it can sign for the customer.
    </p>
  );

/** What became of a letter, and what its carrier says of it. */
function Delivery({ state, note }: Pick<MessageListRow, 'state' | 'note'>) {
  const said = note === '' ? null : <span className="soft"> {note}</span>;
  switch (state) {
    case 'delivered':
      return <>delivered{said}</>;
    case 'waiting':
      return <>in the post{note !== '' && <span className="soft"> and tried again. {note}</span>}</>;
    case 'returned':
      return (
        <>
          <span className="wrong">came back</span>
          {said}
        </>
      );
    case 'failed':
      return (
        <>
          <span className="wrong">not sent</span>
          {said}
        </>
      );
  }
}

/** The letters that went out, found, filtered and sorted; one is read beside the list. */
export function MessageList({
  timeZone,
  kinds,
  showLink,
  sendAgain,
  ...props
}: ListProps<MessageListRow> & {
  readonly timeZone: string;
  /** What each kind of letter is called. */
  readonly kinds: Readonly<Record<string, string>>;
  readonly showLink: ShowLinkAction;
  readonly sendAgain: (id: string) => Promise<Answer<unknown>>;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  const [read, setRead] = useState<MessageListRow | null>(null);
  return (
    <>
      <ListTable
        {...props}
        path="/outbox"
        find="Find by address, customer, words of the letter"
        none="Nothing sent yet. What goes to a customer is kept here."
        render={{
          at: (row) => showInstant(row.at, timeZone),
          subject: (row) => (
            <Button type="link" className="row-act" onClick={() => setRead(row)}>
              {row.subject}
            </Button>
          ),
          customer: (row) =>
            row.customerId === null ? (
              row.customer
            ) : (
              <Link className="soft-link" href={`/customers/${row.customerId}`} prefetch={false}>
                {row.customer}
              </Link>
            ),
          kind: (row) => kinds[row.kind] ?? row.kind,
          state: (row) => <Delivery {...row} />,
        }}
      />
      <Drawer
        open={read !== null}
        onClose={() => setRead(null)}
        title={read?.subject ?? ''}
        size={560}
        destroyOnHidden
      >
        {read && (
          <article>
            <p className="soft">
              to {read.toAddress} · {showInstant(read.at, timeZone)}
            </p>
            {(read.state !== 'delivered' || read.note !== '') && (
              <p>
                <Delivery {...read} />
                {read.state === 'failed' && (
                  <Button
                    className="beside"
                    loading={busy}
                    onClick={() =>
                      void submit(() => sendAgain(read.id), {
                        said: 'It is in the post again.',
                        then: () => setRead(null),
                      })
                    }
                  >
                    Send it again
                  </Button>
                )}
              </p>
            )}
            {read.proposal !== null && (
              <p>
                About{' '}
                <Link className="link-in-text" href={`/proposals/${read.proposalId}`} prefetch={false}>
                  {read.proposal}
                </Link>
              </p>
            )}
            <p className="letter">
              <Linked text={read.body} />
            </p>
            {read.attachments.length > 0 && (
              <p>
                With it:{' '}
                {read.attachments.map((name, i) => (
                  <Fragment key={i}>
                    {i > 0 && ' · '}
                    <a className="link-in-text" href={`/api/v1/messages/${read.id}/attachments?n=${i}`}>
                      {name}
                    </a>
                  </Fragment>
                ))}
              </p>
            )}
            {read.link && <LinkOf key={read.id} link={read.link} show={showLink} />}
          </article>
        )}
      </Drawer>
    </>
  );
}
