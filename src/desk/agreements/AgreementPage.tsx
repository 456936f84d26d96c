'use client';

import { useState } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import type { Answer } from '@/model';
import { Track } from '@/ui/Track';
import { CustomerNoticeBar } from '../customers/CustomerNoticeBar';
import { MoneyIn } from '../payments/MoneyIn';
import type { MoneyInActions } from '../payments/moneyInActions';
import type { RecordPayment } from '../payments/PaymentDialog';
import { PaymentDialog } from '../payments/PaymentDialog';
import { AgreedLines } from './AgreedLines';
import { AgreementFigures } from './AgreementFigures';
import { AgreementHead } from './AgreementHead';
import { AgreementInvoices } from './AgreementInvoices';
import type { AllowanceActions } from './AllowancesView';
import { AllowancesView } from './AllowancesView';
import { ChangesList } from './ChangesList';
import { PaymentsAgreed } from './PaymentsAgreed';
import { SignedPanel } from './SignedPanel';
import { StoryPanel } from './StoryPanel';
import type { StageActions } from './stages/StagesView';
import { StagesView } from './stages/StagesView';
import { useFreshAgreement } from './useFreshAgreement';

export interface AgreementActions {
  readonly startChange: (input: { agreementId: string }) => Promise<Answer<{ id: string }>>;
  readonly allowances: AllowanceActions;
  readonly stages: StageActions;
  readonly moneyIn: MoneyInActions;
  readonly record: RecordPayment;
}

/** An agreement: its track, its payments and invoices, its lines, and who signed what. */
export function AgreementPage({
  agreement,
  mark,
  timeZone,
  actions,
}: {
  readonly agreement: AgreementAtDesk;
  /** What it looked like when it was read. */
  readonly mark: string;
  readonly timeZone: string;
  readonly actions: AgreementActions;
}) {
  const [paying, setPaying] = useState(false);
  useFreshAgreement(agreement.id, mark);
  return (
    <div className="page">
      <AgreementHead agreement={agreement} pay={() => setPaying(true)} />
      <CustomerNoticeBar notice={agreement.customer.notice} customerId={agreement.customer.id} />
      <Track parts={agreement.track} height={26} named />
      <AgreementFigures agreement={agreement} />
      <div className="columns-2">
        <div>
          <h2>Invoices</h2>
          <AgreementInvoices invoices={agreement.invoices} />
          <MoneyIn agreement={agreement} actions={actions.moneyIn} />
          <ChangesList agreement={agreement} start={actions.startChange} />
          {agreement.allowances && (
            <AllowancesView
              agreementId={agreement.id}
              currency={agreement.currency}
              allowances={agreement.allowances}
              maySell={agreement.maySell}
              actions={actions.allowances}
            />
          )}
          <h2>Lines</h2>
          <AgreedLines agreement={agreement} />
        </div>
        <aside>
          <PaymentsAgreed agreement={agreement} />
          <StagesView agreement={agreement} timeZone={timeZone} actions={actions.stages} />
          <SignedPanel agreement={agreement} timeZone={timeZone} />
          <StoryPanel agreement={agreement} timeZone={timeZone} />
        </aside>
      </div>
      {paying && (
        <PaymentDialog
          on={{ ...agreement, agreementId: agreement.id }}
          record={actions.record}
          close={() => setPaying(false)}
        />
      )}
    </div>
  );
}
