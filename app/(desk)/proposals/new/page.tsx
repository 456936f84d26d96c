import type { Metadata } from 'next';
import { listCustomers } from '@/acts/customers/customers';
import { listTemplates } from '@/acts/library/library';
import { StartProposal } from '@/desk/lists/StartProposal';
import { importProposalAction, saveCustomerAction, startProposalAction } from '../../../actions';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'New proposal' };

export default async function NewProposalPage({
  searchParams,
}: {
  searchParams: Promise<{ customer?: string }>;
}) {
  const actor = await pageActor();
  const [customers, templates, { customer }] = await Promise.all([
    listCustomers(actor),
    listTemplates(actor),
    searchParams,
  ]);
  return (
    <StartProposal
      customers={customers}
      templates={templates}
      first={customers.some(({ id }) => id === customer) ? customer! : null}
      actions={{ start: startProposalAction, read: importProposalAction, saveCustomer: saveCustomerAction }}
    />
  );
}
