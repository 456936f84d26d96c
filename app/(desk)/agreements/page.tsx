import type { Metadata } from 'next';
import type { AddressParameters } from '@/core/lists';
import { agreementList } from '@/services/agreements/agreementList';
import { readList } from '@/services/lists/deskList';
import { AgreementList } from '@/desk/agreements/AgreementList';
import { AgreementTabs } from '@/desk/agreements/AgreementTabs';
import { saveListPreferencesAction } from '../../actions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Agreements' };

export default async function AgreementsPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const list = await readList(await pageActor('prices'), agreementList, await searchParams);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Agreements</h1>
        <AgreementTabs here="agreements" />
      </header>
      <AgreementList list={list} savePreferences={saveListPreferencesAction} />
    </div>
  );
}
