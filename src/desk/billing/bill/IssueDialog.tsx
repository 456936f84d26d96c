'use client';

import { Alert, Checkbox, Input, Modal } from 'antd';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { InvoiceDraft } from '@/core/billing';
import { creditPutOn, dueAtOnce, paperSums } from '@/core/billing';
import { moneyOf, subtractAmounts } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { invoiceLetterSubject, invoiceLetterText } from '@/core/text/invoiceLetter';
import { looksLikeAddresses } from '@/core/text/recipients';
import { DayPicker } from '@/ui/fields/DayPicker';
import { AttachFields, attachedNames } from './AttachFields';
import type { BillDraft, TypedLetter } from './useBillDraft';

/** The day an invoice is due where nobody says otherwise: a deposit at once. */
const usualDueDay = ({ letter, ledger }: ProgressBilling, made: InvoiceDraft): string =>
  dueAtOnce(ledger, made) ? letter.issuedOn : letter.dueOn;

/** The letter that goes with the invoice, as it arrives. */
function LetterPreview({
  work,
  draft,
  made,
  typed,
}: {
  readonly work: ProgressBilling;
  readonly draft: BillDraft;
  readonly made: InvoiceDraft;
  readonly typed: TypedLetter;
}) {
  const { letter, ledger, currency } = work;
  const money = moneyOf(ledger.minorDigits);
  const { total } = paperSums(made, ledger.components);
  const credit = creditPutOn(made.kind, total, money.parse(work.credit));
  return (
    // It scrolls: keys must reach it.
    <article className="letter-preview" aria-label="The letter as it arrives" tabIndex={0}>
      <strong>{invoiceLetterSubject(letter.numbers.invoice, work.title)}</strong>
      <p className="letter-body">
        {invoiceLetterText({
          name: letter.name,
          label: letter.numbers.invoice,
          title: draft.typed.title.trim() || made.title,
          issuedOn: letter.issuedOn,
          dueOn: typed.dueOn ?? usualDueDay(work, made),
          today: letter.issuedOn,
          total: `${money.show(total)} ${currency}`,
          open: credit > 0n ? `${money.show(subtractAmounts(total, credit))} ${currency}` : null,
          currency,
          words: typed.words,
          late: null,
          lateTerms: letter.lateTerms,
          attached: attachedNames(work, letter.numbers.invoice, typed.attach ?? {}),
          link: '(a private link to read and pay it)',
          sender: letter.sender,
          company: letter.company,
          phone: letter.phone,
        })}
      </p>
    </article>
  );
}

/**
 * Asks once before an invoice or credit note is issued: its number, what it comes to, when it is due; and sends an invoice in
 * the same act, to whom and with which words.
 */
export function IssueDialog({
  work,
  draft,
  made,
  busy,
  refused,
  issue,
  close,
}: {
  readonly work: ProgressBilling;
  readonly draft: BillDraft;
  readonly made: InvoiceDraft;
  readonly busy: boolean;
  readonly refused: string | null;
  readonly issue: () => void;
  readonly close: () => void;
}) {
  const { letter, ledger, currency } = work;
  const typed = draft.typed.letter;
  const type = (patch: Partial<TypedLetter>) => draft.type({ letter: { ...typed, ...patch } });
  const isCredit = made.kind === 'credit note';
  const number = letter.numbers[isCredit ? 'credit note' : 'invoice'];
  const what = isCredit ? 'credit note' : 'invoice';
  const sum = `${moneyOf(ledger.minorDigits).show(paperSums(made, ledger.components).total)} ${currency}`;
  const sends = !isCredit && typed.send;
  return (
    <Modal
      open
      width={640}
      title={`Issue ${what} ${number}?`}
      okText={sends ? 'Issue and send' : `Issue ${number}`}
      cancelText="Not yet"
      okButtonProps={{ disabled: sends && !looksLikeAddresses(typed.to) }}
      confirmLoading={busy}
      onOk={issue}
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} className="below" />}
      <p>
        <strong>{sum}</strong>
        {isCredit ? ' to the credit of ' : ' to pay by '}
        {work.customer} for “{draft.typed.title.trim() || made.title}”. Issued, it never changes; what is
        wrong on it is taken back by a credit note.
      </p>
      {!isCredit && (
        <>
          <label className="bill-due">
            Due on
            <DayPicker
              label="Due on"
              value={typed.dueOn ?? usualDueDay(work, made)}
              min={letter.issuedOn}
              onChange={(dueOn) => type({ dueOn })}
            />
            {typed.dueOn !== null && typed.dueOn !== usualDueDay(work, made) && (
              <span className="soft">usually {showDate(usualDueDay(work, made))}</span>
            )}
          </label>
          <Checkbox checked={typed.send} onChange={({ target }) => type({ send: target.checked })}>
            Send it by email as it is issued
          </Checkbox>
          {typed.send && (
            <>
              <label className="bill-field">
                To
                <Input
                  value={typed.to}
                  maxLength={1000}
                  placeholder={letter.to || 'No email address is known'}
                  onChange={({ target }) => type({ to: target.value })}
                />
              </label>
              <label className="bill-field">
                Your words before it
                <Input.TextArea
                  value={typed.words}
                  maxLength={2000}
                  autoSize={{ minRows: 1, maxRows: 6 }}
                  onChange={({ target }) => type({ words: target.value })}
                />
              </label>
              <AttachFields work={work} attach={typed.attach ?? {}} change={(attach) => type({ attach })} />
              <LetterPreview work={work} draft={draft} made={made} typed={typed} />
            </>
          )}
        </>
      )}
    </Modal>
  );
}
