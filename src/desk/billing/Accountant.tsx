'use client';

import { monthBefore } from '@/core/calendar';
import { DayPicker } from '@/ui/fields/DayPicker';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import type { BatchCounts as Counts } from '@/services/billing/batches';
import type { BatchListRow } from '@/services/billing/batchList';
import type { Accounts, Answer } from '@/model';
import type { ListProps } from '@/ui/list/ListTable';
import { LinkButton } from '@/ui/LinkButton';
import { BatchList } from './BatchList';
import { AccountsForm } from './AccountsForm';
import { asked } from '@/ui/asked';
import { useSubmit } from '@/ui/useSubmit';

interface Range {
  readonly from: string;
  readonly to: string;
}

const said = ({ invoice, payment, reversal, refund }: Counts): string => {
  const parts = [
    [invoice, 'invoice or credit note', 'invoices and credit notes'],
    [payment, 'payment', 'payments'],
    [reversal, 'returned payment', 'returned payments'],
    [refund, 'refund', 'refunds'],
  ] as const;
  const there = parts.filter(([count]) => count > 0);
  return there.length === 0
    ? 'nothing'
    : there.map(([count, one, many]) => `${count} ${count === 1 ? one : many}`).join(', ');
};

/** What goes to the accountant: batches by a range of days, each thing in one of them; and the accounts it is booked on. */
export function Accountant({
  batches,
  savePreferences,
  accounts,
  timeZone,
  mayChange,
  today,
  actions,
}: {
  batches: ListProps<BatchListRow>['list'];
  savePreferences: ListProps<BatchListRow>['savePreferences'];
  accounts: Accounts;
  timeZone: string;
  mayChange: boolean;
  today: string;
  actions: {
    readonly preview: (range: Range) => Promise<Answer<{ counts: Counts; earlier: number }>>;
    readonly make: (range: Range) => Promise<Answer<{ id: string; number: number }>>;
    readonly saveAccounts: (accounts: Accounts) => Promise<Answer<void>>;
  };
}) {
  const [range, setRange] = useState<Range>(() => monthBefore(today));
  const [found, setFound] = useState<{ counts: Counts; earlier: number } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { busy, submit } = useSubmit({ tells: true });
  const { preview } = actions;

  useEffect(() => {
    let current = true;
    void asked(preview(range)).then((answer) => {
      if (!current) return;
      setFound(answer.ok ? answer.value : null);
      setTrouble(answer.ok ? null : answer.problem.detail);
    });
    return () => {
      current = false;
    };
  }, [range, preview, batches]);

  const make = () => submit(() => actions.make(range), { said: ({ number }) => `Batch ${number} is made.` });
  const any = found !== null && Object.values(found.counts).some((count) => count > 0);
  return (
    <div className="page">
      <header className="page-head">
        <h1>For the accountant</h1>
        <span className="page-actions">
          <LinkButton download href="/api/v1/due-dates.ics">
            Due dates as calendar
          </LinkButton>
        </span>
      </header>
      <form
        className="panel batch-form"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <label>
          From{' '}
          <DayPicker
            allowClear={false}
            value={range.from}
            onChange={(from) => from && setRange({ ...range, from })}
          />
        </label>
        <label>
          to{' '}
          <DayPicker
            allowClear={false}
            value={range.to}
            onChange={(to) => to && setRange({ ...range, to })}
          />
        </label>
        <span aria-live="polite">
          {found === null
            ? (trouble ?? '')
            : any
              ? `Not exported yet: ${said(found.counts)}.`
              : found.earlier > 0
                ? 'All of this is in an earlier batch.'
                : 'Nothing was billed or received in these days.'}
        </span>
        <Button type="primary" htmlType="submit" loading={busy} disabled={!any}>
          Make the batch
        </Button>
      </form>
      <BatchList list={batches} savePreferences={savePreferences} timeZone={timeZone} />
      <AccountsForm accounts={accounts} mayChange={mayChange} save={actions.saveAccounts} />
    </div>
  );
}
