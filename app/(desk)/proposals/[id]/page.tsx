import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { readPreferences } from '@/services/accounts/preferences';
import { may } from '@/services/actor';
import { readOwnCompany } from '@/services/settings/company';
import { Problem } from '@/services/problem';
import { readProposal } from '@/services/proposals/read';
import { listCrews, listRates } from '@/services/library/rates';
import { Editor } from '@/desk/proposals/editor/Editor';
import '@/desk/proposals/editor/editor.css';
import '@/desk/proposals/editor/sheet.css';
import '@/desk/proposals/editor/plan.css';
import '@/ui/plan.css';
import {
  acceptForCustomerAction,
  addBundleAction,
  addBundleWithItemsAction,
  answerQuestionAction,
  compareRevisionsAction,
  reopenProposalAction,
  answerApprovalAction,
  askApprovalAction,
  revokeLinksAction,
  saveAsTemplateAction,
  saveBundleAction,
  saveItemAction,
  savePreferencesAction,
  saveProposalAction,
  sendProposalAction,
  showLinkAction,
  withdrawProposalAction,
} from '../../../actions';
import { isId } from '@/model';
import { placeAddress } from '@/ui/place/placeAddress';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Proposal' };

export default async function ProposalPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ step?: unknown; on?: unknown }>;
}) {
  const { id } = await params;
  const actor = await pageActor('prices');
  if (!isId(id)) notFound();
  const { step, on } = await searchParams;
  // Addresses that were sent earlier name the step behind the ?.
  if (typeof step === 'string')
    redirect(placeAddress(`/proposals/${id}`, { step, ...(typeof on === 'string' && { on }) }));
  const proposal = await readProposal(actor, id).catch((error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  });
  const { timeZone } = await readOwnCompany(actor);
  const costs = may(actor, 'cost');
  const actions = {
    save: saveProposalAction,
    send: sendProposalAction,
    showLink: showLinkAction,
    askApproval: askApprovalAction,
    answerApproval: answerApprovalAction,
    withdraw: withdrawProposalAction,
    reopen: reopenProposalAction,
    acceptFor: acceptForCustomerAction,
    compare: compareRevisionsAction,
    answerQuestion: answerQuestionAction,
    revokeLinks: revokeLinksAction,
    saveAsTemplate: saveAsTemplateAction,
    addBundle: addBundleAction,
    addBundleWithItems: addBundleWithItemsAction,
    saveBundle: saveBundleAction,
    addItem: saveItemAction,
    savePreferences: savePreferencesAction,
  };
  return (
    <Editor
      key={proposal.id}
      proposal={proposal}
      timeZone={timeZone}
      preferences={await readPreferences(actor)}
      rates={costs ? await listRates(actor) : []}
      crews={costs ? await listCrews(actor) : []}
      actions={actions}
    />
  );
}
