import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { agreementMark } from '@/services/agreements/fresh';
import { readAgreement } from '@/services/agreements/read';
import { readOwnCompany } from '@/services/settings/company';
import { Problem } from '@/services/problem';
import { AgreementPage } from '@/desk/agreements/AgreementPage';
import '@/desk/proposals/editor/editor.css';
import '@/desk/proposals/editor/sheet.css';
import '@/desk/billing/bill/bill.css';
import {
  offerRoundAction,
  showLinkAction,
  putCreditAction,
  addStagePhotoAction,
  captionStagePhotoAction,
  putInStageAction,
  readStagePhotosAction,
  removeStagePhotoAction,
  recordPaymentAction,
  refundCreditAction,
  refundToCardAction,
  saveRoundAction,
  saveStageAction,
  settleAllowancesAction,
  startChangeOrderAction,
  withdrawRoundAction,
} from '../../../actions';
import { reversePaymentAction } from '../../../moneyActions';
import { isId } from '@/model';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Agreement' };

export default async function AgreementRoute({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const actor = await pageActor('prices');
  if (!isId(id)) notFound();
  const unknown = (error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  };
  // The mark first: what changes between the two is asked for once more.
  const mark = await agreementMark(actor, id).catch(unknown);
  const agreement = await readAgreement(actor, id).catch(unknown);
  const company = await readOwnCompany(actor);
  return (
    <AgreementPage
      agreement={agreement}
      mark={mark}
      timeZone={company.timeZone}
      actions={{
        record: recordPaymentAction,
        startChange: startChangeOrderAction,
        moneyIn: {
          putCredit: putCreditAction,
          refund: refundCreditAction,
          refundToCard: refundToCardAction,
          reverse: reversePaymentAction,
        },
        stages: {
          save: saveStageAction,
          put: putInStageAction,
          photos: {
            read: readStagePhotosAction,
            add: addStagePhotoAction,
            caption: captionStagePhotoAction,
            remove: removeStagePhotoAction,
          },
        },
        allowances: {
          save: saveRoundAction,
          offer: offerRoundAction,
          showLink: showLinkAction,
          withdraw: withdrawRoundAction,
          settle: settleAllowancesAction,
        },
      }}
    />
  );
}
