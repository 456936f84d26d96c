'use client';

import { Alert, Input, Modal } from 'antd';
import { useState } from 'react';
import type { InvoiceAtDesk } from '@/services/billing/invoiceAtDesk';
import { invoiceLetterSubject, invoiceLetterText } from '@/core/text/invoiceLetter';
import { looksLikeAddresses } from '@/core/text/recipients';
import type { Answer, AttachInput, MailInput } from '@/model';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { useSubmit } from '@/ui/useSubmit';
import { AttachFields, attachedNames } from './bill/AttachFields';

interface Typed {
  readonly to: string;
  readonly words: string;
  readonly attach: AttachInput;
}

/** Asks once before an issued invoice is sent: to whom, with which words, with what beside it; the letter as it arrives. */
export function SendDialog({
  invoice,
  letter,
  mail,
  close,
}: {
  readonly invoice: InvoiceAtDesk;
  readonly letter: NonNullable<InvoiceAtDesk['letter']>;
  readonly mail: (input: MailInput) => Promise<Answer<{ to: string }>>;
  readonly close: () => void;
}) {
  const { busy, refused, submit } = useSubmit();
  const usual: Typed = { to: letter.to, words: letter.words, attach: {} };
  const [typed, setTyped] = useState(usual);
  const type = (patch: Partial<Typed>) => setTyped((before) => ({ ...before, ...patch }));
  const { done, notice } = useKeptForm<Typed>(`letter with invoice ${invoice.id}`, typed, usual, setTyped);
  const { to, words, attach } = typed;
  const send = () =>
    submit(() => mail({ invoiceId: invoice.id, send: { to, words, attach } }), {
      said: (sent) => `It is sent to ${sent.to}.`,
      then: () => {
        done();
        close();
      },
    });
  return (
    <Modal
      open
      width={640}
      title={`Send invoice ${invoice.number}?`}
      okText="Send it"
      cancelText="Not yet"
      okButtonProps={{ disabled: !looksLikeAddresses(to) }}
      confirmLoading={busy}
      onOk={() => void send()}
      onCancel={close}
    >
      {notice}
      {refused && <Alert type="error" title={refused} className="below" />}
      <label className="bill-field">
        To
        <Input
          value={to}
          maxLength={1000}
          placeholder={letter.to || 'No email address is known'}
          onChange={({ target }) => type({ to: target.value })}
        />
      </label>
      <label className="bill-field">
        Your words before it
        <Input.TextArea
          rows={1}
          value={words}
          maxLength={2000}
          autoSize={{ minRows: 1, maxRows: 6 }}
          onChange={({ target }) => type({ words: target.value })}
        />
      </label>
      <AttachFields work={letter} attach={attach} change={(next) => type({ attach: next })} />
      {/* It scrolls: keys must reach it. */}
      <article className="letter-preview" aria-label="The letter as it arrives" tabIndex={0}>
        <strong>{invoiceLetterSubject(letter.label, invoice.agreement.title)}</strong>
        <p className="letter-body">
          {invoiceLetterText({
            ...letter,
            words,
            attached: attachedNames(letter, letter.label, attach),
            link: '(a private link to read and pay it)',
          })}
        </p>
      </article>
    </Modal>
  );
}
