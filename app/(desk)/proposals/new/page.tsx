import type { Metadata } from 'next';
import { offerCustomers } from '@/services/customers/customers';
import { listTemplates } from '@/services/library/library';
import { offerProposals } from '@/services/proposals/offerProposals';
import { StartProposal } from '@/desk/proposals/start/StartProposal';
import {
  copyProposalAction,
  importProposalAction,
  saveCustomerAction,
  startProposalAction,
} from '../../../actions';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'New proposal' };

export default async function NewProposalPage({
  searchParams,
}: {
  searchParams: Promise<{ customer?: string; from?: string }>;
}) {
  const actor = await pageActor('propose');
  const { customer, from } = await searchParams;
  const nobody = { found: [], more: false };
  const [customers, picked, templates, proposals, copied] = await Promise.all([
    offerCustomers(actor),
    customer === undefined ? nobody : offerCustomers(actor, { id: customer }),
    listTemplates(actor),
    offerProposals(actor),
    from === undefined ? nobody : offerProposals(actor, { id: from }),
  ]);
  return (
    <StartProposal
      customers={customers}
      templates={templates}
      earlier={proposals}
      copyOf={copied.found[0] ?? null}
      first={picked.found[0] ?? null}
      actions={{
        start: startProposalAction,
        copy: copyProposalAction,
        read: importProposalAction,
        saveCustomer: saveCustomerAction,
      }}
    />
  );
}
