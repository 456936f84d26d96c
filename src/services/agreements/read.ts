import { findStagePhotos } from '@/data/agreements/stagePhoto';
import { changesOf } from '@/data/agreements/changes';
import { inCompany } from '@/data/connection';
import {
  headView,
  lateChargesOpen,
  lineViews,
  paperViews,
  paymentViews,
  stageViews,
  standingAndTrack,
  stillGone,
} from '@/core/billing';
import { moneyOf } from '@/core/number';
import type { Actor } from '../actor';
import { allow, businessDate, may } from '../actor';
import { allowancesOf } from '@/data/agreements/allowances';
import { billingContextOf } from '@/core/billing/cancelling';
import { earnedOf } from '@/data/jobCosting/earned';
import { companyOf } from '@/data/settings/company';
import { creditElsewhere, creditOf } from '@/data/payments/credit';
import { storyOf } from '@/data/agreements/story';
import { loadAgreement } from '@/data/agreements/load';
import { noticeOf } from '@/data/customers/customerNotice';
import { customerById } from '@/data/customers/customer';
import { siteById } from '@/data/customers/site';
import { findPaymentsOfAgreement } from '@/data/payments/payment';
import { invoiceDraftByAgreementId } from '@/data/billing/invoiceDraft';
import { findReversalsOfAgreement } from '@/data/payments/paymentReversal';
import { cardsToRefund } from '../payments/cardRefund';
import { findRefundsOfAgreement } from '@/data/payments/refund';

/** One agreement with lines, schedule, invoices, payments, standing and track. */
export async function readAgreement(actor: Actor, agreementId: string) {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId);
    const { head } = loaded;
    const [payer] = await customerById(tx, head.customerId);
    const [place] = await siteById(tx, head.siteId);
    const payments = await findPaymentsOfAgreement(tx, agreementId);
    const [draft] = await invoiceDraftByAgreementId(tx, agreementId);
    const gone = await findReversalsOfAgreement(tx, agreementId);
    const refunds = await findRefundsOfAgreement(tx, agreementId);
    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    const earned = await earnedOf(tx, loaded);
    return {
      ...headView(loaded),
      ...standingAndTrack(loaded, earned),
      customer: { id: payer!.id, name: payer!.name, notice: await noticeOf(tx, today, payer!.id) },
      site: `${place!.address.street}, ${place!.address.city}`,
      changes: await changesOf(tx, agreementId, today),
      allowances: await allowancesOf(tx, loaded, { timeZone: ours.timeZone, today, forCustomer: false }),
      maySell: may(actor, 'propose'),
      lines: lineViews(loaded),
      payments: paymentViews(loaded, billingContextOf(loaded, ours)),
      invoices: paperViews(loaded, today),
      stages: stageViews(loaded),
      lateOpen: lateChargesOpen(loaded),
      photos: (await findStagePhotos(tx, agreementId)).map(({ id, stage }) => ({ id, stage })),
      draft: draft !== undefined,
      received: payments.map(({ id, method, methodName, amount, receivedOn, reference }) => ({
        ...{ id, method, methodName, amount, receivedOn, reference },
        gone: stillGone(gone.filter(({ paymentId }) => paymentId === id)),
      })),
      refunds: refunds.map(({ id, method, methodName, amount, paidOn, reference }) => ({
        ...{ id, method, methodName, amount, paidOn, reference },
      })),
      cards: await cardsToRefund(tx, loaded),
      credit: moneyOf(loaded.digits).write(await creditOf(tx, loaded)),
      creditElsewhere: await creditElsewhere(tx, loaded),
      today,
      story: await storyOf(tx, { id: agreementId, proposalId: head.proposalId }),
      mayRecord: may(actor, 'money'),
      earned: moneyOf(loaded.digits).write(earned),
    };
  });
}

export type AgreementAtDesk = Awaited<ReturnType<typeof readAgreement>>;
