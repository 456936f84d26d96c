import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { businessDate, may } from '@/services/actor';
import type { AddressParameters } from '@/core/lists';
import { batchList } from '@/services/billing/batchList';
import { readList } from '@/services/lists/deskList';
import { readOwnCompany } from '@/services/settings/company';
import { readAccounts } from '@/services/settings/settings';
import { usualAccounts } from '@/core/billing';
import { Accountant } from '@/desk/billing/Accountant';
import '@/desk/billing/billing.css';
import { makeBatchAction, previewBatchAction, saveAccountsAction } from '../../../moneyActions';
import { saveListPreferencesAction } from '../../../actions';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'For the accountant' };

export default async function AccountantPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const actor = await pageActor('money');
  if (!may(actor, 'money')) notFound();
  const [batches, accounts, company] = await Promise.all([
    readList(actor, batchList, await searchParams),
    readAccounts(actor),
    readOwnCompany(actor),
  ]);
  return (
    <Accountant
      batches={batches}
      savePreferences={saveListPreferencesAction}
      accounts={accounts ?? usualAccounts}
      timeZone={company.timeZone}
      mayChange={may(actor, 'settings')}
      today={businessDate(actor.now, company.timeZone)}
      actions={{ preview: previewBatchAction, make: makeBatchAction, saveAccounts: saveAccountsAction }}
    />
  );
}
