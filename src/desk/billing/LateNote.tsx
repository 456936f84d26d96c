'use client';

import { App, Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { InvoiceAtDesk } from '@/services/billing/invoiceAtDesk';
import { showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';

export interface LateActions {
  readonly charge: (input: { invoiceId: string }) => Promise<Answer<{ id: string; number: string }>>;
  readonly waive: (input: { invoiceId: string }) => Promise<Answer<{ id: string; number: string }>>;
}

/** What paying late costs: as it is stated, what it comes to by today, and charging it or taking it back. */
export function LateNote({
  invoice: { id, late, lateTerms, mayWaive, currency },
  actions,
}: {
  invoice: InvoiceAtDesk;
  actions: LateActions;
}) {
  const { message } = App.useApp();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const run = async (act: LateActions['charge']) => {
    setBusy(true);
    const answer = await asked(act({ invoiceId: id }));
    setBusy(false);
    if (answer.ok) router.push(`/money/${answer.value.id}`);
    else void message.error(answer.problem.detail);
  };
  if (mayWaive)
    return (
      <p className="late-note">
        <Button loading={busy} onClick={() => void run(actions.waive)}>
          Waive the charge
        </Button>
      </p>
    );
  if (!lateTerms) return null;
  return (
    <div className="late-note">
      <p className="soft">{lateTerms}</p>
      {late && (
        <p>
          {late.daysLate} {late.daysLate === 1 ? 'day' : 'days'} late: {showDecimal(late.amount)} {currency}{' '}
          {late.from === late.until
            ? 'is owed.'
            : `is owed for ${showShortDate(late.from)} to ${showShortDate(late.until)}.`}{' '}
          {late.mayCharge && (
            <Button size="small" loading={busy} onClick={() => void run(actions.charge)}>
              Charge it
            </Button>
          )}
        </p>
      )}
    </div>
  );
}
