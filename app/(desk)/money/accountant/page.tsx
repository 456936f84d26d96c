import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { businessDate, may } from '@/services/actor';
import { listBatches } from '@/services/billing/batches';
import { readSettings } from '@/services/settings/settings';
import { usualAccounts } from '@/core/billing';
import { Accountant } from '@/desk/billing/Accountant';
import '@/desk/billing/billing.css';
import { makeBatchAction, previewBatchAction, saveAccountsAction } from '../../../moneyActions';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'For the accountant' };

export default async function AccountantPage() {
  const actor = await pageActor();
  if (!may(actor, 'owner', 'office')) notFound();
  const [batches, { company }] = await Promise.all([listBatches(actor), readSettings(actor)]);
  return (
    <Accountant
      batches={batches}
      accounts={company.money.accounts ?? usualAccounts}
      timeZone={company.timeZone}
      mayChange={may(actor, 'owner')}
      today={businessDate(actor.now, company.timeZone)}
      actions={{ preview: previewBatchAction, make: makeBatchAction, saveAccounts: saveAccountsAction }}
    />
  );
}
