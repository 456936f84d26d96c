import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { AnotherCompany } from '@/desk/setUp/AnotherCompany';
import { readOwnCompany } from '@/services/settings/company';
import { setUpAnotherAction } from '../../accountActions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Set up another company' };

export default async function AnotherCompanyPage() {
  const actor = await pageActor();
  if (!actor.isOwner) redirect('/not-yours');
  const { address, currency, timeZone, demo } = await readOwnCompany(actor);
  return (
    <AnotherCompany
      like={{ country: address.country, currency, timeZone }}
      demo={demo}
      setUp={setUpAnotherAction}
    />
  );
}
