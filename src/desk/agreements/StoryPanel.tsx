import Link from 'next/link';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { showInstant } from '@/ui/instants';
import './story.css';

/** How the agreement came about: who sold it, who changed it last, and what was sent to whom. */
export function StoryPanel({
  agreement: { story, title },
  timeZone,
}: {
  readonly agreement: AgreementAtDesk;
  readonly timeZone: string;
}) {
  const { seller, changed, sent, letters } = story;
  return (
    <div className="panel above">
      <h2>Sold and sent</h2>
      <dl className="story">
        <dt>Sold by</dt>
        <dd>{seller}</dd>
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
                {letter.returned && <span className="wrong"> came back</span>}
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
    </div>
  );
}
