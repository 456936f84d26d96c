'use server';

import { recordPaymentOver } from '@/services/payments/paymentOver';
import { cookies } from 'next/headers';
import { saveListPreferences } from '@/services/accounts/listPreferences';
import { savePreferences } from '@/services/accounts/preferences';
import { startChangeOrder } from '@/services/proposals/changeOrder';
import { deleteLayout, keepLayout, setUsualLayout } from '@/services/billing/layouts';
import { sendStatements } from '@/services/customers/sendStatements';
import { creditInvoice, dropDraft, issueInvoice, saveDraft } from '@/services/billing/issue';
import { offerRound, saveRound, settleAllowances, withdrawRound } from '@/services/agreements/rounds';
import {
  addStagePhoto,
  captionStagePhoto,
  readStagePhotos,
  removeStagePhoto,
} from '@/services/agreements/stagePhotos';
import { putInStage, saveStage } from '@/services/agreements/stages';
import { acceptForCustomer } from '@/services/booklet/accept';
import { answerQuestion } from '@/services/booklet/questions';
import { saveSettings } from '@/services/settings/settings';
import { saveCustomer, saveSite } from '@/services/customers/customers';
import { saveAreas } from '@/services/library/areas';
import { changeCosts, previewCosts } from '@/services/library/bulk';
import { changeSeveral, previewSeveral, severalLately, undoSeveral } from '@/services/library/changeSeveral';
import { refundToCard } from '@/services/payments/cardRefund';
import { addBundle, saveBundle } from '@/services/library/bundles';
import { addBundleWithItems } from '@/services/library/bundleWithItems';
import { saveItem } from '@/services/library/items';
import { retireBundle, retireItem, retireMany } from '@/services/library/retire';
import { star, starMany } from '@/services/library/star';
import { removeCrew, saveCrew, saveRate } from '@/services/library/rates';
import { putCredit, refundCredit } from '@/services/payments/moves';
import { recordPayment } from '@/services/payments/payments';
import { Problem, answer } from '@/services/problem';
import { answerApproval, askApproval } from '@/services/proposals/approval';
import { compareRevisions } from '@/services/proposals/compare';
import { presetChoices } from '@/services/proposals/preset';
import { copyProposal, saveAsTemplate } from '@/services/proposals/reuse';
import { reopenProposal, saveProposal } from '@/services/proposals/save';
import { withdrawMany, withdrawProposal } from '@/services/proposals/withdraw';
import { showLink } from '@/services/links';
import { revokeLinks, sendProposal } from '@/services/proposals/send';
import { importProposal, startProposal } from '@/services/proposals/start';
import { actionActor } from './session';

/* The desk's doors. Each says who is asking and hands over to one act, which checks the rest. */

export const saveListPreferencesAction = async (input: unknown) =>
  answer(async () => saveListPreferences(await actionActor(), input));

export const savePreferencesAction = async (input: unknown) =>
  answer(async () => savePreferences(await actionActor(), input));

export const saveSettingsAction = async (input: unknown) =>
  answer(async () => saveSettings(await actionActor(), input));

export async function setLookAction(look: string) {
  const store = await cookies();
  if (look === 'light' || look === 'dark')
    store.set('impegno-look', look, { path: '/', maxAge: 365 * 24 * 3600, sameSite: 'lax' });
  else store.delete('impegno-look');
}

export const saveCustomerAction = async (input: unknown, id?: string, over?: unknown) =>
  answer(async () => saveCustomer(await actionActor(), input, id, over));

export const saveSiteAction = async (input: unknown, id?: string, over?: unknown) =>
  answer(async () => saveSite(await actionActor(), input, id, over));

export const startProposalAction = async (input: unknown) =>
  answer(async () => startProposal(await actionActor(), input));

/** @throws Problem `file-not-json` */
export const importProposalAction = async (place: unknown, text: string) =>
  answer(async () => {
    const actor = await actionActor();
    let input: unknown;
    try {
      input = JSON.parse(text);
    } catch {
      throw new Problem('file-not-json', 'This file is not JSON.');
    }
    return importProposal(actor, place, input);
  });

export const saveProposalAction = async (input: unknown) =>
  answer(async () => saveProposal(await actionActor(), input));

export const sendProposalAction = async (input: unknown) =>
  answer(async () => {
    const { revision, linkId, leaves } = await sendProposal(await actionActor(), input);
    return { revision, linkId, leaves };
  });
export const showLinkAction = async (input: unknown) =>
  answer(async () => showLink(await actionActor(), input));

export const askApprovalAction = async (input: unknown) =>
  answer(async () => askApproval(await actionActor(), input));

export const answerApprovalAction = async (input: unknown) =>
  answer(async () => answerApproval(await actionActor(), input));

export const presetChoicesAction = async (input: unknown) =>
  answer(async () => presetChoices(await actionActor(), input));

export const withdrawManyAction = async (input: unknown) =>
  answer(async () => withdrawMany(await actionActor(), input));
export const withdrawProposalAction = async (id: string) =>
  answer(async () => withdrawProposal(await actionActor(), id));

export const reopenProposalAction = async (id: string) =>
  answer(async () => reopenProposal(await actionActor(), id));

export const acceptForCustomerAction = async (input: unknown) =>
  answer(async () => acceptForCustomer(await actionActor(), input));

export const answerQuestionAction = async (input: unknown) =>
  answer(async () => answerQuestion(await actionActor(), input));

export const compareRevisionsAction = async (input: unknown) =>
  answer(async () => compareRevisions(await actionActor(), input));

export const startChangeOrderAction = async (input: unknown) =>
  answer(async () => startChangeOrder(await actionActor(), input));

export const saveRoundAction = async (input: unknown) =>
  answer(async () => saveRound(await actionActor(), input));

export const offerRoundAction = async (input: unknown) =>
  answer(async () => {
    const { linkId } = await offerRound(await actionActor(), input);
    return { linkId };
  });

export const withdrawRoundAction = async (input: unknown) =>
  answer(async () => withdrawRound(await actionActor(), input));

export const settleAllowancesAction = async (input: unknown) =>
  answer(async () => settleAllowances(await actionActor(), input));

export const revokeLinksAction = async (id: string) =>
  answer(async () => revokeLinks(await actionActor(), id));

export const saveStageAction = async (input: unknown) =>
  answer(async () => saveStage(await actionActor(), input));

export const putInStageAction = async (input: unknown) =>
  answer(async () => putInStage(await actionActor(), input));

export const putCreditAction = async (input: unknown) =>
  answer(async () => putCredit(await actionActor(), input));

export const refundCreditAction = async (input: unknown) =>
  answer(async () => refundCredit(await actionActor(), input));

export const saveDraftAction = async (input: unknown) =>
  answer(async () => saveDraft(await actionActor(), input));

export const dropDraftAction = async (input: unknown) =>
  answer(async () => dropDraft(await actionActor(), input));

export const readStagePhotosAction = async (input: unknown) =>
  answer(async () => readStagePhotos(await actionActor(), input));

export const addStagePhotoAction = async (input: unknown) =>
  answer(async () => addStagePhoto(await actionActor(), input));

export const captionStagePhotoAction = async (input: unknown) =>
  answer(async () => captionStagePhoto(await actionActor(), input));

export const removeStagePhotoAction = async (input: unknown) =>
  answer(async () => removeStagePhoto(await actionActor(), input));

export const sendStatementsAction = async (input: unknown) =>
  answer(async () => sendStatements(await actionActor(), input));

export const keepLayoutAction = async (input: unknown) =>
  answer(async () => keepLayout(await actionActor(), input));

export const deleteLayoutAction = async (input: unknown) =>
  answer(async () => deleteLayout(await actionActor(), input));

export const setUsualLayoutAction = async (input: unknown) =>
  answer(async () => setUsualLayout(await actionActor(), input));

export const creditInvoiceAction = async (input: unknown) =>
  answer(async () => creditInvoice(await actionActor(), input));

export const issueInvoiceAction = async (input: unknown) =>
  answer(async () => issueInvoice(await actionActor(), input));

export const recordPaymentOverAction = async (input: unknown) =>
  answer(async () => recordPaymentOver(await actionActor(), input));

export const refundToCardAction = async (input: unknown) =>
  answer(async () => refundToCard(await actionActor(), input));

export const recordPaymentAction = async (input: unknown) =>
  answer(async () => recordPayment(await actionActor(), input));

export const addBundleAction = async (input: unknown) =>
  answer(async () => addBundle(await actionActor(), input));

export const addBundleWithItemsAction = async (input: unknown) =>
  answer(async () => addBundleWithItems(await actionActor(), input));

export const saveBundleAction = async (id: string, edition: number, input: unknown) =>
  answer(async () => saveBundle(await actionActor(), id, edition, input));

export const starManyAction = async (input: unknown) =>
  answer(async () => starMany(await actionActor(), input));
export const previewSeveralAction = async (input: unknown) =>
  answer(async () => previewSeveral(await actionActor(), input));
export const changeSeveralAction = async (input: unknown) =>
  answer(async () => changeSeveral(await actionActor(), input));
export const undoSeveralAction = async (id: string) =>
  answer(async () => undoSeveral(await actionActor(), id));
export const severalLatelyAction = async () => answer(async () => severalLately(await actionActor()));
export const retireManyAction = async (input: unknown) =>
  answer(async () => retireMany(await actionActor(), input));
export const starAction = async (id: string, starred: boolean) =>
  answer(async () => star(await actionActor(), id, starred === true));

export const saveItemAction = async (input: unknown, id?: string, over?: unknown) =>
  answer(async () => saveItem(await actionActor(), input, id, over));

export const saveRateAction = async (input: unknown, id?: string) =>
  answer(async () => saveRate(await actionActor(), input, id));

export const saveCrewAction = async (input: unknown, id?: string) =>
  answer(async () => saveCrew(await actionActor(), input, id));

export const removeCrewAction = async (id: string) => answer(async () => removeCrew(await actionActor(), id));

export const retireAction = async (kind: 'item' | 'bundle', id: string, retired: boolean) =>
  answer(async () =>
    kind === 'item'
      ? retireItem(await actionActor(), id, retired === true)
      : retireBundle(await actionActor(), id, retired === true),
  );

export const saveAsTemplateAction = async (input: unknown) =>
  answer(async () => saveAsTemplate(await actionActor(), input));

export const copyProposalAction = async (input: unknown) =>
  answer(async () => copyProposal(await actionActor(), input));

export const saveAreasAction = async (text: string) =>
  answer(async () => saveAreas(await actionActor(), text));

export const previewCostsAction = async (input: unknown) =>
  answer(async () => previewCosts(await actionActor(), input));

export const changeCostsAction = async (input: unknown) =>
  answer(async () => changeCosts(await actionActor(), input));
