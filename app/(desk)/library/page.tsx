import type { Metadata } from 'next';
import Link from 'next/link';
import { may } from '@/services/actor';
import type { BrowseInput } from '@/services/library/browse';
import { draftsBehind } from '@/services/library/bulk';
import { browseLibrary } from '@/services/library/browse';
import { listRates } from '@/services/library/rates';
import { CostsDialog } from '@/desk/library/CostsDialog';
import '@/desk/proposals/editor/sheet.css';
import '@/desk/library/library.css';
import { LibraryByTrade } from '@/desk/library/LibraryByTrade';
import { LibraryList } from '@/desk/library/LibraryList';
import { LinkButton } from '@/ui/LinkButton';
import { changeCostsAction, previewCostsAction, starAction } from '../../actions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Library' };

type Query = Partial<Record<'q' | 'trade' | 'kind' | 'of' | 'retired' | 'page' | 'view', string | string[]>>;

/** What the address asks for; what it cannot mean is left out. */
function askedBy(query: Query): BrowseInput {
  const text = (name: keyof Query, most: number) => {
    const value = query[name];
    return (typeof value === 'string' ? value : '').slice(0, most);
  };
  const kind = text('kind', 10);
  const page = Number(text('page', 6));
  return {
    words: text('q', 200),
    trade: text('trade', 60),
    kind: kind === 'item' || kind === 'bundle' ? kind : 'all',
    costType: text('of', 20),
    retired: text('retired', 1) === '1',
    page: Number.isInteger(page) && page > 0 ? page : 0,
  };
}

export default async function LibraryPage({ searchParams }: { searchParams: Promise<Query> }) {
  const actor = await pageActor();
  const query = await searchParams;
  const asked = askedBy(query);
  const byTrade = query.view === 'trades' || query.view === 'shelves';
  const [found, rates, drafts] = await Promise.all([
    browseLibrary(actor, asked),
    listRates(actor),
    draftsBehind(actor),
  ]);
  const count = (of: 'items' | 'bundles') => found.trades.reduce((sum, trade) => sum + trade[of], 0);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Library</h1>
        <span className="soft">
          {count('items')} items, {count('bundles')} bundles
        </span>
        <Link className="soft" href={byTrade ? '/library' : '/library?view=trades'} prefetch={false}>
          {byTrade ? 'as a list' : 'browse by trade'}
        </Link>
        <span className="page-actions">
          <LinkButton href="/api/v1/library.csv" download>
            Download as CSV
          </LinkButton>
          <LinkButton href="/api/v1/library.xlsx" download>
            as XLSX
          </LinkButton>
          {may(actor, 'owner') && <LinkButton href="/library/import">Import</LinkButton>}
          {may(actor, 'owner') && (
            <CostsDialog
              trades={found.trades.map(({ trade }) => trade)}
              actions={{ preview: previewCostsAction, change: changeCostsAction }}
            />
          )}
          {may(actor, 'owner') && <LinkButton href="/library/items/new">New item</LinkButton>}
          {may(actor, 'owner', 'seller') && <LinkButton href="/library/bundles/new">New bundle</LinkButton>}
        </span>
      </header>
      {byTrade ? (
        <LibraryByTrade />
      ) : (
        <LibraryList asked={asked} found={found} rates={rates} drafts={drafts} setStar={starAction} />
      )}
    </div>
  );
}
