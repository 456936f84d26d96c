import type { Metadata } from 'next';
import type { AddressParameters } from '@/core/lists';
import { readList } from '@/services/lists/deskList';
import { proposalList } from '@/services/proposals/proposalList';
import { ProposalList } from '@/desk/proposals/ProposalList';
import { LinkButton } from '@/ui/LinkButton';
import { may } from '@/services/actor';
import { saveListPreferencesAction, withdrawManyAction } from '../../actions';
import { pageActor } from '../../session';
import { May } from '@/ui/may/May';

export const metadata: Metadata = { title: 'Proposals' };

export default async function ProposalsPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const actor = await pageActor('prices');
  const list = await readList(actor, proposalList, await searchParams);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Proposals</h1>
        <span className="page-actions">
          <May any={['propose']}>
            <LinkButton primary href="/proposals/new">
              New proposal
            </LinkButton>
          </May>
        </span>
      </header>
      <ProposalList
        list={list}
        savePreferences={saveListPreferencesAction}
        withdraw={may(actor, 'propose') ? withdrawManyAction : null}
      />
    </div>
  );
}
