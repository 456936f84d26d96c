import type { Metadata } from 'next';
import Link from 'next/link';
import type { AddressParameters } from '@/core/lists';
import { may } from '@/services/actor';
import { draftsBehind } from '@/services/library/bulk';
import { listTrades } from '@/services/library/byTrade';
import { libraryList } from '@/services/library/libraryList';
import { readList } from '@/services/lists/deskList';
import { readSettings } from '@/services/settings/settings';
import { CostsDialog } from '@/desk/library/CostsDialog';
import { DraftsBehind } from '@/desk/library/DraftsBehind';
import '@/desk/proposals/editor/sheet.css';
import '@/desk/library/library.css';
import { LibraryByTrade } from '@/desk/library/LibraryByTrade';
import { LibraryFile } from '@/desk/library/LibraryFile';
import { LibraryList } from '@/desk/library/LibraryList';
import { LinkButton } from '@/ui/LinkButton';
import {
  changeCostsAction,
  changeSeveralAction,
  previewCostsAction,
  previewSeveralAction,
  retireManyAction,
  saveListPreferencesAction,
  severalLatelyAction,
  starAction,
  starManyAction,
  undoSeveralAction,
} from '../../actions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Library' };

/** Addresses of before name the words, and what is retired, otherwise; they stand in bookmarks. */
const askedBy = ({ q, retired, ...query }: AddressParameters): AddressParameters => ({
  ...(q === undefined ? {} : { search: q }),
  ...(retired === undefined ? {} : { state: 'retired' }),
  ...query,
});

export default async function LibraryPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const actor = await pageActor('cost');
  const query = await searchParams;
  const byTrade = query.view === 'trades' || query.view === 'shelves';
  const [trades, list, drafts, { company }] = await Promise.all([
    listTrades(actor),
    byTrade ? null : readList(actor, libraryList, askedBy(query)),
    draftsBehind(actor),
    readSettings(actor),
  ]);
  const count = (of: 'items' | 'bundles') => trades.reduce((sum, trade) => sum + trade[of], 0);
  return (
    <div className="page page-wide">
      <header className="page-head">
        <h1>Library</h1>
        <span className="soft">
          {count('items')} items, {count('bundles')} bundles
        </span>
        <Link className="soft" href={byTrade ? '/library' : '/library?view=trades'} prefetch={false}>
          {byTrade ? 'as a list' : 'browse by trade'}
        </Link>
        <Link className="soft" href="/library/rates" prefetch={false}>
          rates and crews
        </Link>
        <span className="page-actions">
          <LibraryFile />
          {may(actor, 'library') && <LinkButton href="/library/import">Import</LinkButton>}
          {may(actor, 'library') && (
            <CostsDialog
              trades={trades.map(({ trade }) => trade)}
              actions={{ preview: previewCostsAction, change: changeCostsAction }}
            />
          )}
          {may(actor, 'library') && <LinkButton href="/library/items/new">New item</LinkButton>}
          {may(actor, 'propose') && <LinkButton href="/library/bundles/new">New bundle</LinkButton>}
        </span>
      </header>
      <DraftsBehind drafts={drafts} />
      {list === null ? (
        <LibraryByTrade />
      ) : (
        <LibraryList
          list={list}
          savePreferences={saveListPreferencesAction}
          mayRetire={may(actor, 'library')}
          several={
            may(actor, 'library')
              ? {
                  trades: trades.map(({ trade }) => trade),
                  usual: company.usual,
                  timeZone: company.timeZone,
                  actions: {
                    preview: previewSeveralAction,
                    change: changeSeveralAction,
                    undo: undoSeveralAction,
                    lately: severalLatelyAction,
                  },
                }
              : null
          }
          acts={{ setStar: starAction, starMany: starManyAction, retireMany: retireManyAction }}
        />
      )}
    </div>
  );
}
