'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { showInstant } from '@/ui/instants';
import { HistoryOf } from '@/desk/history/HistoryOf';
import { SellerDialog } from '@/desk/people/SellerDialog';
import { useSellerActs } from '@/desk/people/Sellers';
import './story.css';

/** How the agreement came about: who sold it, who changed it last, and what was sent to whom. */
export function StoryPanel({
  agreement: { id, story, title, proposalId },
  timeZone,
}: {
  readonly agreement: AgreementAtDesk;
  readonly timeZone: string;
}) {
  const { seller, changed, sent, letters } = story;
  const acts = useSellerActs();
  const [giving, setGiving] = useState(false);
  return (
    <div className="panel above">
      <h2>Sold and sent</h2>
      <dl className="story">
        <dt>Sold by</dt>
        <dd>
          {seller}{' '}
          {acts && (
            <Button size="small" type="text" aria-label="Change who sells it" onClick={() => setGiving(true)}>
              Change
            </Button>
          )}
          {acts && giving && (
            <SellerDialog
              proposalId={proposalId}
              seller={seller}
              acts={acts}
              close={() => setGiving(false)}
            />
          )}
        </dd>
        {changed && (
          <>
            <dt>Changed last</dt>
            <dd>
              {changed.by}, {showInstant(changed.at, timeZone)}
              {changed.title !== title && <span className="soft"> · {changed.title}</span>}
            </dd>
          </>
        )}
        <dt>Sent</dt>
        <dd>
          {sent.length === 0 && 'Nothing yet.'}
          <ul>
            {sent.map((letter) => (
              <li key={letter.id}>
                {letter.subject}
                <span className="soft">
                  {' '}
                  to {letter.to}, {showInstant(letter.at, timeZone)}
                </span>
                {letter.trouble && <span className="wrong"> {letter.trouble}</span>}
              </li>
            ))}
          </ul>
          {letters > sent.length && (
            <Link href={`/outbox?search=${encodeURIComponent(title)}`} prefetch={false}>
              All {letters} letters
            </Link>
          )}
        </dd>
      </dl>
      <HistoryOf id={id} />
    </div>
  );
}
