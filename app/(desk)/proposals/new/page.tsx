import type { Metadata } from 'next';
import { listCustomers } from '@/services/customers/customers';
import { listTemplates } from '@/services/library/library';
import { listProposals } from '@/services/proposals/read';
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
  const actor = await pageActor();
  const [customers, templates, proposals, { customer, from }] = await Promise.all([
    listCustomers(actor),
    listTemplates(actor),
    listProposals(actor),
    searchParams,
  ]);
  return (
    <StartProposal
      customers={customers}
      templates={templates}
      earlier={proposals.map(({ id, number, title, customer: of }) => ({ id, number, title, customer: of }))}
      copyOf={proposals.some(({ id }) => id === from) ? from! : null}
      first={customers.some(({ id }) => id === customer) ? customer! : null}
      actions={{
        start: startProposalAction,
        copy: copyProposalAction,
        read: importProposalAction,
        saveCustomer: saveCustomerAction,
      }}
    />
  );
}
