import { App, Button, Popconfirm } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { Answer, DraftInput, IssueInput } from '@/model';
import type { useSubmit } from '@/ui/useSubmit';
import { IssueDialog } from './IssueDialog';
import type { BillDraft } from './useBillDraft';

export interface BillActions {
  readonly issue: (
    input: IssueInput,
  ) => Promise<Answer<{ id: string; number: string; sentTo: string | null }>>;
  readonly keep: (input: DraftInput) => Promise<Answer<void>>;
  readonly drop: (input: { agreementId: string }) => Promise<Answer<void>>;
}

/** A paper to look at; the page stays as it is. */
function download(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  link.click();
}

/** What the invoice is of, and what is done with it: issued, looked at, kept as a draft, deleted. */
export function BillHead({
  work,
  draft,
  actions,
  submitting,
}: {
  readonly work: ProgressBilling;
  readonly draft: BillDraft;
  readonly actions: BillActions;
  readonly submitting: ReturnType<typeof useSubmit>;
}) {
  const { message } = App.useApp();
  const { busy, refused, submit } = submitting;
  const [asking, setAsking] = useState(false);
  const { done, asInput, asSent } = draft;
  const { made } = draft.bill;
  const isCredit = made?.kind === 'credit note';
  const agreement = `/agreements/${work.id}`;
  const keep = () => submit(() => actions.keep(asInput()), { then: () => done(), rereads: false });
  const issue = () =>
    submit(() => actions.issue({ ...asInput(), ...asSent(), seen: work.seen }), {
      said: ({ number, sentTo }) =>
        `${isCredit ? 'Credit note' : 'Invoice'} ${number} is issued${sentTo === null ? '' : ` and sent to ${sentTo}`}.`,
      then: () => done(),
      to: () => agreement,
    });
  return (
    <header className="page-head">
      <h1>{isCredit ? 'Credit note' : 'Invoice'}</h1>
      <span className="soft">
        <Link href={agreement} prefetch={false}>
          {work.title}
        </Link>{' '}
        · agreement {work.number} · {work.customer}
      </span>
      <span className="page-actions">
        <Button type="primary" disabled={!made} loading={busy} onClick={() => setAsking(true)}>
          {isCredit ? 'Issue credit note' : 'Issue invoice'}
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
            if (await keep()) void message.success('The draft is kept.');
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
            onConfirm={() =>
              submit(() => actions.drop({ agreementId: work.id }), {
                then: () => done(),
                to: () => agreement,
              })
            }
          >
            <Button type="text" disabled={busy}>
              Delete draft
            </Button>
          </Popconfirm>
        )}
      </span>
      {asking && made && (
        <IssueDialog
          work={work}
          draft={draft}
          made={made}
          busy={busy}
          refused={refused}
          issue={() => void issue()}
          close={() => setAsking(false)}
        />
      )}
    </header>
  );
}
