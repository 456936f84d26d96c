import type { Metadata } from 'next';
import type { AddressParameters } from '@/core/lists';
import { costList } from '@/services/jobCosting/costList';
import { readList } from '@/services/lists/deskList';
import { MoneyTabs } from '@/desk/billing/MoneyTabs';
import { CostsOfAllJobs } from '@/desk/jobCosting/CostsOfAllJobs';
import '@/desk/billing/billing.css';
import '@/desk/jobCosting/jobCosting.css';
import { saveListPreferencesAction } from '../../../actions';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Costs' };

export default async function CostsPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const actor = await pageActor('cost');
  const list = await readList(actor, costList, await searchParams);
  return (
    <div className="page page-wide">
      <header className="page-head">
        <h1>Money</h1>
      </header>
      <MoneyTabs here="costs" />
      <CostsOfAllJobs list={list} savePreferences={saveListPreferencesAction} />
    </div>
  );
}
