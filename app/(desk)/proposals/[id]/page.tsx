import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { readLiking } from '@/acts/accounts/liking';
import { readSettings } from '@/acts/settings';
import { Problem } from '@/acts/problem';
import { readProposal } from '@/acts/proposals/read';
import { Editor } from '@/desk/editor/Editor';
import '@/desk/editor/editor.css';
import '@/desk/editor/sheet.css';
import '@/desk/editor/plan.css';
import '@/ui/plan.css';
import {
  acceptForCustomerAction,
  addBundleAction,
  answerQuestionAction,
  compareRevisionsAction,
  reopenProposalAction,
  answerApprovalAction,
  askApprovalAction,
  revokeLinksAction,
  saveAsTemplateAction,
  saveBundleAction,
  saveLikingAction,
  saveProposalAction,
  sendProposalAction,
  showLinkAction,
  withdrawProposalAction,
} from '../../../actions';
import { isId } from '@/model';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Proposal' };

export default async function ProposalPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const actor = await pageActor();
  if (!isId(id)) notFound();
  const proposal = await readProposal(actor, id).catch((error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  });
  const { company } = await readSettings(actor);
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
    saveBundle: saveBundleAction,
    saveLiking: saveLikingAction,
  };
  return (
    <Editor
      key={proposal.id}
      proposal={proposal}
      timeZone={company.timeZone}
      liking={await readLiking(actor)}
      actions={actions}
    />
  );
}
