'use client';

import { App, Button, Form, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { ProposalAtDesk } from '@/services/proposals/read';
import { carryChoices, menuOf } from '@/core/choice';
import { checkDocument, pastDays } from '@/core/offer';
import { limitsCrossed } from '@/core/range';
import type { Answer, SendInput } from '@/model';
import { showInstant } from '@/ui/instants';
import { useKeptDraft } from '@/ui/kept/useKeptDraft';
import type { ApprovalActions } from './ApprovalPanel';
import { ApprovalPanel } from './ApprovalPanel';
import { Question } from '../Questions';
import type { AcceptForCustomer } from './AcceptFor';
import { AcceptFor } from './AcceptFor';
import type { Compare } from './Revisions';
import { Revisions } from './Revisions';
import { useEditor } from './context';
import type { Missed } from './storeTypes';
import { asked } from '@/ui/asked';
import type { ShowLinkAction } from '../../ShowLink';
import { ShowLink } from '../../ShowLink';

export interface SendActions extends ApprovalActions {
  readonly send: (input: SendInput) => Promise<Answer<{ revision: number; linkId: string }>>;
  readonly showLink: ShowLinkAction;
  readonly reopen: (id: string) => Promise<Answer<void>>;
  readonly acceptFor: AcceptForCustomer;
  readonly compare: Compare;
  readonly answerQuestion: (input: unknown) => Promise<Answer<void>>;
  readonly withdraw: (id: string) => Promise<Answer<void>>;
  readonly revokeLinks: (id: string) => Promise<Answer<void>>;
}

/** The customer's page exactly as they will get it, what to look at before, and the way out. */
export function SendStep({
  proposal,
  actions,
  timeZone,
  previewMark,
}: {
  proposal: ProposalAtDesk;
  actions: SendActions;
  timeZone: string;
  previewMark: number;
}) {
  const { work, readOnly } = useEditor();
  const { message, modal } = App.useApp();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [form] = Form.useForm<{ to: string; words?: string }>();
  const typed = { to: Form.useWatch('to', form), words: Form.useWatch('words', form) };
  const done = useKeptDraft(readOnly ? null : `send ${proposal.id}`, typed, (kept) =>
    form.setFieldsValue(kept as { to: string; words?: string }),
  );
  const [sent, setSent] = useState<{ revision: number; linkId: string } | null>(null);
  const [narrow, setNarrow] = useState(true);
  const [accepting, setAccepting] = useState(false);
  const problems = useMemo(
    () => [...checkDocument(work.document), ...pastDays(work.document, proposal.today)],
    [work.document, proposal.today],
  );
  const blocked = problems.some(({ weight }) => weight !== 'look');
  const crossed = blocked ? [] : limitsCrossed(work.document, proposal.limits, proposal.bySeller);
  const approved = proposal.approvals.some(
    ({ saveNumber, verdict }) => saveNumber === work.saveNumber && verdict === 'yes',
  );
  // What the customer chose on the newest revision, on the one that would be sent now.
  const { chosen } = proposal;
  const keeps = useMemo(
    () => (chosen ? carryChoices(chosen.menu, chosen.choices, menuOf(work.document)) : null),
    [chosen, work.document],
  );
  const needsYes = crossed.length > 0 && proposal.bySeller && !approved;
  const ask = async (words: string): Promise<string | null> => {
    const saveNumber = await work.settle();
    if (saveNumber === null) return 'The last changes are not saved yet. Try again in a moment.';
    const answer = await asked(actions.askApproval({ proposalId: proposal.id, saveNumber, words }));
    router.refresh();
    return answer.ok ? null : answer.problem.detail;
  };

  const send = async ({ to, words }: { to: string; words?: string }) => {
    setBusy(true);
    const saveNumber = await work.settle();
    if (saveNumber === null) {
      setBusy(false);
      message.error('The last changes are not saved yet. Try again in a moment.');
      return;
    }
    const answer = await asked(
      actions.send({
        proposalId: proposal.id,
        saveNumber,
        to: to.trim(),
        words: words ?? '',
      }),
    );
    setBusy(false);
    if (!answer.ok) {
      message.error(answer.problem.detail);
      // What it was refused for may have changed what is shown.
      const { missed } = (answer.problem.context ?? {}) as { missed?: Missed };
      if (missed) work.hear(missed);
      router.refresh();
      return;
    }
    done();
    form.setFieldValue('words', '');
    setSent(answer.value);
    message.success(`Revision ${answer.value.revision} is sent.`);
    router.refresh();
  };

  const sure = (title: string, content: string, okText: string, act: () => Promise<Answer<void>>) =>
    modal.confirm({
      title,
      content,
      okText,
      cancelText: 'Cancel',
      onOk: async () => {
        const answer = await asked(act());
        if (!answer.ok) message.error(answer.problem.detail);
        router.refresh();
      },
    });

  return (
    <div className="send">
      <div className="send-form">
        {problems.length > 0 && (
          <div className="send-problems">
            <strong>{blocked ? 'To mend before sending' : 'Worth a look before sending'}</strong>
            <ul>
              {problems.map(({ partId, message: text }) => (
                <li key={`${partId}${text}`}>{text}</li>
              ))}
            </ul>
          </div>
        )}
        {crossed.length > 0 && !readOnly && (
          <ApprovalPanel
            proposal={proposal}
            crossed={crossed}
            timeZone={timeZone}
            ask={ask}
            actions={actions}
          />
        )}
        {keeps && !readOnly && !sent && (
          <div className="send-keeps" role="note">
            <strong>
              {keeps.lost.length === 0
                ? 'The customer has chosen; all of it is kept.'
                : 'The customer has chosen. Kept, but for:'}
            </strong>
            {keeps.lost.length > 0 && (
              <ul>
                {keeps.lost.map(({ about, picked, because }) => (
                  <li key={`${about} ${picked}`}>
                    {about}: {picked}. {because}
                  </li>
                ))}
              </ul>
            )}
          </div>
        )}
        {sent && (
          <div className="send-done" role="status">
            <strong>Revision {sent.revision} is on its way.</strong>
            <p>
              The message lies in the <a href="/outbox">outbox</a>.
            </p>
            <ShowLink key={sent.linkId} linkId={sent.linkId} show={actions.showLink} />
          </div>
        )}
        {(proposal.state === 'declined' || proposal.state === 'lapsed' || proposal.state === 'withdrawn') &&
          proposal.mayEdit && (
            <p>
              <Button
                type="primary"
                onClick={() =>
                  sure(
                    'Take this proposal up again?',
                    'It is a draft once more, with everything that was sent kept. The customer reads that a new revision is on its way. Prices hold for your usual days again.',
                    'Take it up again',
                    () => actions.reopen(proposal.id),
                  )
                }
              >
                Take it up again
              </Button>
            </p>
          )}
        {proposal.questions.length > 0 && (
          <>
            <h2>Asked by the customer</h2>
            {proposal.questions.map((question) => (
              <Question
                key={question.id}
                question={question}
                answer={proposal.mayEdit ? actions.answerQuestion : null}
              />
            ))}
          </>
        )}
        {!readOnly && (
          <Form
            form={form}
            layout="vertical"
            requiredMark={false}
            onFinish={send}
            initialValues={{ to: proposal.customer.email, words: '' }}
          >
            <Form.Item
              name="to"
              label="To"
              rules={[{ required: true, type: 'email', message: 'Type an email address.' }]}
            >
              <Input />
            </Form.Item>
            <Form.Item name="words" label="A word to go with it">
              <Input.TextArea
                autoSize={{ minRows: 3 }}
                placeholder={`Good day ${proposal.customer.name}, …`}
              />
            </Form.Item>
            <Button type="primary" htmlType="submit" loading={busy} disabled={blocked || needsYes}>
              {proposal.revisions.length === 0
                ? proposal.change
                  ? 'Send change order'
                  : 'Send proposal'
                : `Send as revision ${proposal.revisions[0]!.number + 1}`}
            </Button>
          </Form>
        )}
        {proposal.revisions.length > 0 && (
          <>
            <h2>Sent so far</h2>
            <Revisions proposal={proposal} compare={actions.compare} timeZone={timeZone} />
            <p className="soft">
              {proposal.links.some(({ lastOpenedAt }) => lastOpenedAt)
                ? `Opened last on ${showInstant(
                    proposal.links
                      .map(({ lastOpenedAt }) => lastOpenedAt ?? '')
                      .sort()
                      .at(-1)!,
                    timeZone,
                  )}.`
                : 'Not opened yet.'}
            </p>
            {(proposal.state === 'sent' || proposal.state === 'lapsed') && proposal.mayEdit && (
              <p style={{ display: 'flex', flexWrap: 'wrap', gap: 8 }}>
                {proposal.decided && (
                  <Button size="small" onClick={() => setAccepting(true)}>
                    They said yes …
                  </Button>
                )}
                <Button
                  size="small"
                  onClick={() =>
                    sure(
                      'Make all links stop working?',
                      'Whoever has one can not open it any more. Sending again makes a new one.',
                      'Stop the links',
                      () => actions.revokeLinks(proposal.id),
                    )
                  }
                >
                  Stop the links
                </Button>
                <Button
                  size="small"
                  danger
                  onClick={() =>
                    sure(
                      'Withdraw this proposal?',
                      'The customer can not accept it any more. This stays on record.',
                      'Withdraw',
                      () => actions.withdraw(proposal.id),
                    )
                  }
                >
                  Withdraw
                </Button>
              </p>
            )}
          </>
        )}
      </div>
      {accepting && (
        <AcceptFor proposal={proposal} accept={actions.acceptFor} close={() => setAccepting(false)} />
      )}
      <div className="send-preview">
        <div className="send-preview-head">
          <span className="soft">Exactly what the customer gets</span>
          <Button size="small" onClick={() => setNarrow(!narrow)}>
            {narrow ? 'Show it wide' : 'Show it as on a phone'}
          </Button>
          <a href={`/api/v1/proposals/${proposal.id}/proposal.pdf`}>PDF</a>
          <a href={`/api/v1/proposals/${proposal.id}/document.json`} download>
            Document (JSON)
          </a>
        </div>
        <iframe
          key={`${previewMark} ${work.saveNumber}`}
          title="Preview of the booklet"
          src={`/preview/${proposal.id}`}
          className={narrow ? 'narrow' : ''}
        />
      </div>
    </div>
  );
}
