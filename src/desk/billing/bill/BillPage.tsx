'use client';

import { Alert, Checkbox, Segmented } from 'antd';
import { useState } from 'react';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { InvoiceDraft } from '@/core/billing';
import { paperSums } from '@/core/billing';
import { moneyOf, parseAmount, showDecimal } from '@/core/number';
import type { BillingAsk } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import type { BillActions } from './BillHead';
import type { LayoutActions } from './layoutActions';
import { CustomerNoticeBar } from '@/desk/customers/CustomerNoticeBar';
import { BillHead } from './BillHead';
import { BillPaths } from './BillPaths';
import { BillSums } from './BillSums';
import { HeldOn } from './HeldOn';
import { OnThePaper } from './OnThePaper';
import type { BillRowsProps } from './BillRows';
import { Rows } from './Rows';
import { SelectedWork } from './SelectedWork';
import type { BillDraft } from './useBillDraft';
import { useBillDraft } from './useBillDraft';

/** What an invoice bills: what is held back counts as billed. */
const billedOf = (made: InvoiceDraft, components: number): bigint => {
  const { total, retainage } = paperSums(made, components);
  return total - retainage;
};

/** What is said before the table: what cannot be, what came back, what goes beyond the schedule. */
function BillNotes({
  work,
  draft,
  refused,
}: {
  readonly work: ProgressBilling;
  readonly draft: BillDraft;
  readonly refused: string | null;
}) {
  const { bill, typed, amountWrong, back } = draft;
  const { minorDigits, components } = work.ledger;
  const wrong = refused ?? amountWrong ?? bill.refused;
  const dueNow = parseAmount(work.billableNow.amount, minorDigits);
  // A release was billed before.
  const beyond = bill.made && typed.path !== 'release' ? billedOf(bill.made, components) - dueNow : 0n;
  return (
    <>
      {wrong && <Alert type="error" title={wrong} className="below" />}
      {back && (
        <Alert
          type="info"
          title="What you had typed here before the page closed is back."
          className="below"
        />
      )}
      {beyond > 0n && (
        <Alert
          type="warning"
          title={`This bills ${moneyOf(minorDigits).show(beyond)} more than the schedule asks for by today (${showDecimal(work.billableNow.amount)}).`}
          className="below"
        />
      )}
    </>
  );
}

/** How the work is looked at. */
interface View {
  readonly by: 'section' | 'stage';
  readonly folded: boolean;
}

/** The work that is billed, row by row, gathered by section or stage. */
function BillWork({
  work,
  draft,
  view: { by, folded },
  setView,
}: {
  readonly work: ProgressBilling;
  readonly draft: BillDraft;
  readonly view: View;
  readonly setView: (view: View) => void;
}) {
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const { rows } = draft.bill;
  const shared: BillRowsProps = {
    work,
    askLines: (asks) => {
      draft.askLines(asks);
      draft.type({ path: 'work' });
    },
    selected,
    select: (ids, on) =>
      setSelected((before) => {
        const next = new Set(before);
        for (const id of ids)
          if (on) next.add(id);
          else next.delete(id);
        return next;
      }),
  };
  const chosen = rows.filter(({ line }) => selected.has(line.id));
  return (
    <>
      <div className="bill-view">
        {work.stages.length > 0 && (
          <Segmented
            aria-label="Gathered by"
            value={by}
            options={[
              { value: 'section', label: 'By section' },
              { value: 'stage', label: 'By stage' },
            ]}
            onChange={(next: View['by']) => setView({ by: next, folded })}
          />
        )}
        <Checkbox checked={folded} onChange={({ target }) => setView({ by, folded: target.checked })}>
          Fold away what is finished
        </Checkbox>
      </div>
      {chosen.length > 0 && <SelectedWork rows={chosen} {...shared} />}
      <Rows rows={rows} by={by} folded={folded} {...shared} />
      <p className="soft bill-hint">
        Any cell takes a percent to date (25%), an amount this time ($1,000.00) or more of it (+500).
      </p>
    </>
  );
}

/** The table an invoice is made on, by whatever path. Issued, it never changes. */
export function BillPage({
  work,
  start,
  actions,
}: {
  readonly work: ProgressBilling;
  /** What is asked for to begin with. */
  readonly start: BillingAsk | null;
  readonly actions: BillActions & LayoutActions;
}) {
  const draft = useBillDraft(work, start);
  const submitting = useSubmit();
  const [view, setView] = useState<View>({ by: 'section', folded: true });
  const { bill, position, take } = draft;
  return (
    <div className="page bill-page">
      <BillHead work={work} draft={draft} actions={actions} submitting={submitting} />
      <CustomerNoticeBar notice={work.notice} customerId={work.customerId} />
      <BillPaths
        work={work}
        draft={{
          ...draft,
          take: (path) => {
            submitting.setRefused(null);
            take(path);
          },
        }}
      />
      <BillNotes work={work} draft={draft} refused={submitting.refused} />
      <div className="bill-columns">
        <div className="bill-work">
          {draft.typed.path === 'release' ? (
            <HeldOn work={work} held={position.heldGross} />
          ) : (
            <BillWork work={work} draft={draft} view={view} setView={setView} />
          )}
        </div>
        <aside className="bill-side">
          <BillSums work={work} position={position} made={bill.made} />
          <OnThePaper work={work} draft={draft} actions={actions} />
        </aside>
      </div>
    </div>
  );
}
