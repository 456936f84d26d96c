import type { Metadata } from 'next';
import Link from 'next/link';
import type { GuideReader } from '@/services/help/guide';
import { guidePages, guideReaders } from '@/services/help/guide';
import { pageActor } from '../../session';
import '@/desk/help/help.css';

export const metadata: Metadata = { title: 'Guide' };

const readers: Readonly<Record<GuideReader, string>> = {
  owner: 'For the owner',
  seller: 'For who sells',
  office: 'For the office',
  field: 'For who builds',
  customer: 'For customers',
  everybody: 'For everybody',
};

export default async function GuideRoute() {
  await pageActor();
  const pages = await guidePages();
  return (
    <div className="page page-narrow">
      <header className="page-head">
        <h1>Guide</h1>
        <span className="soft">
          <kbd>F1</kbd> opens the page about the screen you are on.
        </span>
      </header>
      {guideReaders.map((reader) => {
        const theirs = pages.filter((page) => page.readers.includes(reader));
        return theirs.length === 0 ? null : (
          <section key={reader} aria-label={readers[reader]}>
            <h2>{readers[reader]}</h2>
            <ul className="guide-list">
              {theirs.map(({ slug, title }) => (
                <li key={slug}>
                  <Link className="link-in-text" href={`/help/${slug}`} prefetch={false}>
                    {title}
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
