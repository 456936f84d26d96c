import type { Metadata } from 'next';
import { listProposals } from '@/services/proposals/read';
import { ProposalList } from '@/desk/proposals/ProposalList';
import { LinkButton } from '@/ui/LinkButton';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Proposals' };

export default async function ProposalsPage() {
  const proposals = await listProposals(await pageActor());
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
      <ProposalList rows={proposals} />
    </div>
  );
}
