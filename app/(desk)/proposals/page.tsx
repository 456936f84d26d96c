import type { Metadata } from 'next';
import type { AddressParameters } from '@/core/lists';
import { readList } from '@/services/lists/deskList';
import { proposalList } from '@/services/proposals/proposalList';
import { ProposalList } from '@/desk/proposals/ProposalList';
import { LinkButton } from '@/ui/LinkButton';
import { saveListPreferencesAction } from '../../actions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Proposals' };

export default async function ProposalsPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const list = await readList(await pageActor(), proposalList, await searchParams);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Proposals</h1>
        <span className="page-actions">
          <LinkButton primary href="/proposals/new">
            New proposal
          </LinkButton>
        </span>
      </header>
      <ProposalList list={list} savePreferences={saveListPreferencesAction} />
    </div>
  );
}
