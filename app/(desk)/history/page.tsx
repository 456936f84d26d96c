import type { Metadata } from 'next';
import type { AddressParameters } from '@/core/lists';
import { HistoryList } from '@/desk/history/HistoryList';
import { historyList } from '@/services/history/historyList';
import { readList } from '@/services/lists/deskList';
import { readOwnCompany } from '@/services/settings/company';
import { saveListPreferencesAction } from '../../actions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'History' };

export default async function HistoryPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const actor = await pageActor('settings');
  const [list, { timeZone }] = await Promise.all([
    readList(actor, historyList, await searchParams),
    readOwnCompany(actor),
  ]);
  return (
    <div className="page page-wide">
      <header className="page-head">
        <h1>History</h1>
        <span className="soft">Who did what, when. Nothing is taken out of it.</span>
      </header>
      <HistoryList list={list} savePreferences={saveListPreferencesAction} timeZone={timeZone} />
    </div>
  );
}
