'use client';

import { Alert, App, Button, Input, Popconfirm, Select, Segmented, Checkbox } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { InvoiceDraft } from '@/core/billing';
import { paperSums } from '@/core/billing';
import { isNothing, moneyOf, parseAmount, showDecimal, writeAmount } from '@/core/number';
import type { Answer, BillingAsk, DraftInput, InvoiceShows, IssueInput } from '@/model';
import { parseMoneyInput } from '@/core/quantity';
import { useKeptDraft } from '@/ui/kept/useKeptDraft';
import { BillSums } from './BillSums';
import { HeldOn } from './HeldOn';
import { Rows } from './Rows';
import type { Path } from './useBill';
import { pathOf, useBill } from './useBill';
import { asked } from '@/ui/asked';

export interface BillActions {
  readonly issue: (input: IssueInput) => Promise<Answer<{ id: string; number: string }>>;
  readonly keep: (input: DraftInput) => Promise<Answer<void>>;
  readonly drop: (input: { agreementId: string }) => Promise<Answer<void>>;
}

const paths: Readonly<Record<Path, string>> = {
  entry: 'A payment of the schedule',
  work: 'Work done',
  amount: 'An amount',
  rest: 'Remaining balance',
  release: 'Retainage',
};

const billedOf = (made: InvoiceDraft, components: number): bigint => {
  const { total, retainage } = paperSums(made, components);
  return total - retainage;
};

/** A paper to look at; the page stays as it is. */
function download(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  link.click();
}

/** The table an invoice is made on, by whatever path. Issued, it never changes. */
export function BillPage({
  work,
  start,
  actions,
}: {
  work: ProgressBilling;
  /** What is asked for to begin with. */
  start: BillingAsk | null;
  actions: BillActions;
}) {
  const router = useRouter();
  const { message } = App.useApp();
  const { ledger } = work;
  const first = start ?? work.draft?.what ?? null;
  const { bill, position, setAsk, askLines } = useBill(work, first);
  const [path, setPath] = useState<Path>(first ? pathOf(first) : 'work');
  const [by, setBy] = useState<'section' | 'stage'>('section');
  const [folded, setFolded] = useState(true);
  const [amount, setAmount] = useState(first && 'amount' in first ? first.amount : '');
  const [amountWrong, setAmountWrong] = useState<string | null>(null);
  const [title, setTitle] = useState(work.draft?.title ?? '');
  const [remark, setRemark] = useState(work.draft?.remark ?? '');
  const [shows, setShows] = useState<InvoiceShows>(
    work.draft?.shows ?? { unbilled: 'hidden', bundles: 'agreed' },
  );
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const [back, setBack] = useState(false);
  const money = moneyOf(ledger.minorDigits);
  const dueNow = parseAmount(work.billableNow.amount, ledger.minorDigits);

  const go = (next: Path) => {
    setPath(next);
    setRefused(null);
    // The words of a draft are about what it billed.
    if (next !== path && title === work.draft?.title) setTitle('');
    if (next === 'rest') setAsk({ rest: true });
    else if (next === 'release') setAsk({ release: 'all' });
    else if (next === 'entry') setAsk(work.entriesLeft[0] ? { entryId: work.entriesLeft[0].id } : null);
    else if (next === 'amount') setAsk(amount ? { amount } : null);
    // By work one goes on from what stands there: the figures of another path can be changed.
  };
  const typeAmount = (text: string) => {
    setAmount(text);
    try {
      const value = parseMoneyInput(text.trim() || '0', ledger.minorDigits);
      setAmountWrong(null);
      const ask = path === 'release' ? { release: value } : { amount: value };
      setAsk(isNothing(value) ? null : ask);
    } catch (error) {
      setAmountWrong((error as Error).message);
      setAsk(null);
    }
  };
  const done = useKeptDraft(
    `bill ${work.id}`,
    { ask: bill.ask, path, amount, title, remark, shows },
    (kept) => {
      // A link that says what to bill stands over what was begun before.
      if (start) return;
      setPath(kept.path);
      setAmount(kept.amount);
      setTitle(kept.title);
      setRemark(kept.remark);
      setShows(kept.shows);
      setAsk(kept.ask);
      setBack(true);
    },
  );
  const draft = () => ({ agreementId: work.id, what: bill.ask!, title: title.trim(), shows, remark });
  const keep = async (): Promise<boolean> => {
    setBusy(true);
    const answer = await asked(actions.keep(draft()));
    setBusy(false);
    if (!answer.ok) setRefused(answer.problem.detail);
    else done();
    return answer.ok;
  };
  const issue = async () => {
    setBusy(true);
    const answer = await asked(actions.issue({ ...draft(), seen: work.seen }));
    if (!answer.ok) {
      setBusy(false);
      setRefused(answer.problem.detail);
      return;
    }
    done();
    message.success(
      `${bill.made?.kind === 'credit note' ? 'Credit note' : 'Invoice'} ${answer.value.number} is issued.`,
    );
    router.push(`/agreements/${work.id}`);
  };
  const choices: Path[] = [
    ...(work.entriesLeft.length > 0 ? (['entry'] as const) : []),
    ...(position.workLeft !== 0n ? (['work', 'amount'] as const) : []),
    'rest',
    ...(position.heldGross > 0n ? (['release'] as const) : []),
  ];
  const made = bill.made;
  // What is held back counts as billed; a release was billed before.
  const beyond = made && path !== 'release' ? billedOf(made, ledger.components) - dueNow : 0n;
  return (
    <div className="page bill-page">
      <header className="page-head">
        <h1>{made?.kind === 'credit note' ? 'Credit note' : 'Invoice'}</h1>
        <span className="soft">
          <Link href={`/agreements/${work.id}`} prefetch={false}>
            {work.title}
          </Link>{' '}
          · agreement {work.number} · {work.customer}
        </span>
        <span className="page-actions">
          <Button type="primary" disabled={!made} loading={busy} onClick={issue}>
            {made?.kind === 'credit note' ? 'Issue credit note' : 'Issue invoice'}
          </Button>
          <Button
            disabled={!made || busy}
            onClick={async () => {
              if (await keep()) download(`/api/v1/agreements/${work.id}/draft.pdf`);
            }}
          >
            Preview
          </Button>
          <Button
            disabled={!made || busy}
            onClick={async () => {
              if (await keep()) message.success('The draft is kept.');
            }}
          >
            Keep as draft
          </Button>
          {work.draft && (
            <Popconfirm
              title="Delete this draft?"
              description="What was typed on it is gone. Nothing was issued."
              okText="Delete draft"
              cancelText="Cancel"
              onConfirm={async () => {
                const answer = await asked(actions.drop({ agreementId: work.id }));
                done();
                if (answer.ok) router.push(`/agreements/${work.id}`);
                else setRefused(answer.problem.detail);
              }}
            >
              <Button type="text" disabled={busy}>
                Delete draft
              </Button>
            </Popconfirm>
          )}
        </span>
      </header>
      <div className="bill-paths" role="radiogroup" aria-label="What is billed">
        {choices.map((each) => (
          <button
            key={each}
            type="button"
            role="radio"
            aria-checked={path === each}
            className="bill-path"
            onClick={() => go(each)}
          >
            {paths[each]}
          </button>
        ))}
        {path === 'entry' && (
          <Select
            aria-label="Which payment"
            style={{ minWidth: 260 }}
            value={bill.ask && 'entryId' in bill.ask ? bill.ask.entryId : null}
            onChange={(entryId) => setAsk({ entryId })}
            options={work.entriesLeft.map(({ id, name, left }) => ({
              value: id,
              label: `${name}: ${showDecimal(left)}`,
            }))}
          />
        )}
        {(path === 'amount' || path === 'release') && (
          <label className="bill-amount">
            {path === 'amount' ? 'Amount, including tax' : 'Release'}
            <Input
              style={{ width: 130, textAlign: 'right' }}
              value={
                path === 'release' && bill.ask && 'release' in bill.ask && bill.ask.release === 'all'
                  ? writeAmount(position.heldGross, ledger.minorDigits)
                  : amount
              }
              status={amountWrong ? 'error' : ''}
              onChange={(event) => typeAmount(event.target.value)}
            />
            {path === 'release' && <span className="soft">of {money.show(position.heldGross)} held</span>}
          </label>
        )}
      </div>
      {(refused ?? amountWrong ?? bill.refused) && (
        <Alert type="error" title={refused ?? amountWrong ?? bill.refused} style={{ marginBottom: 12 }} />
      )}
      {back && (
        <Alert
          type="info"
          title="What you had typed here before the page closed is back."
          style={{ marginBottom: 12 }}
        />
      )}
      {beyond > 0n && (
        <Alert
          type="warning"
          title={`This bills ${money.show(beyond)} more than the schedule asks for by today (${showDecimal(work.billableNow.amount)}).`}
          style={{ marginBottom: 12 }}
        />
      )}
      <div className="bill-columns">
        <div className="bill-work">
          {path === 'release' && <HeldOn work={work} held={position.heldGross} />}
          {path !== 'release' && (
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
                    onChange={setBy}
                  />
                )}
                <Checkbox checked={folded} onChange={({ target }) => setFolded(target.checked)}>
                  Fold away what is finished
                </Checkbox>
              </div>
              <Rows
                work={work}
                rows={bill.rows}
                by={by}
                folded={folded}
                readOnly={false}
                askLines={(asks) => {
                  askLines(asks);
                  setPath('work');
                }}
              />
            </>
          )}
        </div>
        <aside className="bill-side">
          <BillSums work={work} position={position} made={made} />
          <div className="panel">
            <h2>On the paper</h2>
            <label className="bill-field">
              Title
              <Input
                value={title}
                maxLength={200}
                placeholder={made?.title ?? 'Work to date'}
                onChange={(event) => setTitle(event.target.value)}
              />
            </label>
            <label className="bill-field">
              Words to the customer
              <Input.TextArea
                value={remark}
                maxLength={2000}
                autoSize={{ minRows: 1, maxRows: 5 }}
                onChange={(event) => setRemark(event.target.value)}
              />
            </label>
            <label className="bill-field">
              Work not billed this time
              <Select
                value={shows.unbilled}
                onChange={(unbilled) => setShows({ ...shows, unbilled })}
                options={[
                  { value: 'hidden', label: 'Left out' },
                  { value: 'zero', label: 'Shown with nothing' },
                ]}
              />
            </label>
            <label className="bill-field">
              Bundles
              <Select
                value={shows.bundles}
                onChange={(bundles) => setShows({ ...shows, bundles })}
                options={[
                  { value: 'agreed', label: 'As they were offered' },
                  { value: 'one', label: 'Each as one line' },
                  { value: 'parts', label: 'By their parts' },
                ]}
              />
            </label>
          </div>
        </aside>
      </div>
    </div>
  );
}
