import { Form } from 'antd';
import { useMemo, useState } from 'react';
import type { ProposalAtDesk } from '@/services/proposals/read';
import { carryChoices, menuOf } from '@/core/choice';
import { checkDocument, pastDays } from '@/core/offer';
import { limitsCrossed } from '@/core/range';
import type { Answer, SendInput } from '@/model';
import { useKeptDraft } from '@/ui/kept/useKeptDraft';
import { useSubmit } from '@/ui/useSubmit';
import { useEditor } from '../context';
import type { Missed } from '../storeTypes';

export interface Sent {
  /** Whether a letter leaves the house with it. */
  readonly leaves: boolean;
  readonly revision: number;
  readonly linkId: string;
}

interface Typed {
  readonly to: string;
  readonly words?: string;
}

/** Sending a proposal: what stands in its way, what the customer's choices become, the letter's words, and the act. */
export function useSending(proposal: ProposalAtDesk, send: (input: SendInput) => Promise<Answer<Sent>>) {
  const { work, readOnly } = useEditor();
  const { busy, refused, setRefused, submit } = useSubmit();
  const [form] = Form.useForm<Typed>();
  const typed = { to: Form.useWatch('to', form), words: Form.useWatch('words', form) };
  const done = useKeptDraft(readOnly ? null : `send ${proposal.id}`, typed, (kept) =>
    form.setFieldsValue(kept as Typed),
  );
  const [sent, setSent] = useState<Sent | null>(null);
  const problems = useMemo(
    () => [...checkDocument(work.document), ...pastDays(work.document, proposal.today)],
    [work.document, proposal.today],
  );
  const blocked = problems.some(({ weight }) => weight !== 'look');
  const crossed = blocked ? [] : limitsCrossed(work.document, proposal.limits, proposal.sender);
  const approved = proposal.approvals.some(
    ({ saveNumber, verdict }) => saveNumber === work.saveNumber && verdict === 'yes',
  );
  // What the customer chose on the newest revision, on the one that would be sent now.
  const { chosen } = proposal;
  const keeps = useMemo(
    () => (chosen ? carryChoices(chosen.menu, chosen.choices, menuOf(work.document)) : null),
    [chosen, work.document],
  );
  const finish = async ({ to, words }: Typed) => {
    setRefused(null);
    const saveNumber = await work.settle();
    if (saveNumber === null) {
      setRefused('The last changes are not saved yet. Try again in a moment.');
      return;
    }
    await submit(() => send({ proposalId: proposal.id, saveNumber, to: to.trim(), words: words ?? '' }), {
      said: ({ revision }) => `Revision ${revision} is sent.`,
      then: (value) => {
        done();
        form.setFieldValue('words', '');
        setSent(value);
      },
      otherwise: ({ context }) => {
        const { missed } = (context ?? {}) as { missed?: Missed };
        if (missed) work.hear(missed);
      },
    });
  };
  return {
    form,
    finish,
    busy,
    refused,
    sent,
    problems,
    blocked,
    crossed,
    keeps,
    /** A seller sends only what the owner said yes to, where it crosses a limit. */
    needsYes: crossed.length > 0 && !proposal.mayApprove && !approved,
  };
}

export type Sending = ReturnType<typeof useSending>;
