'use client';

import { Button } from 'antd';
import type { InvoiceAtDesk } from '@/services/billing/invoiceAtDesk';
import { showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';

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
  const { busy, submit } = useSubmit({ tells: true });
  const run = (act: LateActions['charge']) =>
    submit(() => act({ invoiceId: id }), { to: (made) => `/money/${made.id}` });
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
