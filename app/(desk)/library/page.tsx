import type { Metadata } from 'next';
import { listItems, listRates } from '@/acts/library/library';
import { LibraryList } from '@/desk/lists/LibraryList';
import { LinkButton } from '@/ui/LinkButton';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Library' };

export default async function LibraryPage() {
  const actor = await pageActor();
  const [items, rates] = await Promise.all([listItems(actor), listRates(actor)]);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Library</h1>
        <span className="soft">{items.length} items</span>
        <span className="page-actions">
          <LinkButton href="/api/v1/library.csv" download>
            Download as CSV
          </LinkButton>
        </span>
      </header>
      <LibraryList items={items} rates={rates} />
    </div>
  );
}
