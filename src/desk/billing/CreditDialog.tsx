'use client';

import { Alert, Input, Modal, Radio } from 'antd';
import { useMemo, useState } from 'react';
import type { InvoiceAtDesk } from '@/services/billing/invoiceAtDesk';
import { makeCredit, paperSums } from '@/core/billing';
import { showDecimal } from '@/core/number';
import type { Answer, CreditInput } from '@/model';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { useSubmit } from '@/ui/useSubmit';
import type { TypedCredit, Way } from './creditAsk';
import { askOf, blankCredit } from './creditAsk';
import { CreditLines, CreditSums } from './CreditParts';

/** Takes an issued invoice back, in whole or in part. The credit note is a paper of its own and never changes. */
export function CreditDialog({
  invoice,
  credit,
  close,
}: {
  readonly invoice: InvoiceAtDesk & { readonly back: NonNullable<InvoiceAtDesk['back']> };
  readonly credit: (input: CreditInput) => Promise<Answer<{ id: string; number: string }>>;
  readonly close: () => void;
}) {
  const { ledger, lines, total, work } = invoice.back;
  const [typed, setTyped] = useState<TypedCredit>(blankCredit);
  const type = (patch: Partial<TypedCredit>) => setTyped((before) => ({ ...before, ...patch }));
  const { busy, refused, submit } = useSubmit();
  const { done, notice } = useKeptForm<TypedCredit>(`credit of ${invoice.id}`, typed, blankCredit, setTyped);
  const { ask, sums, wrong } = useMemo(() => {
    try {
      const found = askOf(typed, ledger.minorDigits);
      return {
        ask: found,
        sums: found && paperSums(makeCredit(ledger, invoice.id, found), ledger.components),
        wrong: null,
      };
    } catch (error) {
      // What is typed cannot be read, or cannot be credited: a sentence either way.
      return { ask: null, sums: null, wrong: (error as Error).message };
    }
  }, [typed, ledger, invoice.id]);
  const issue = () =>
    submit(() => credit({ invoiceId: invoice.id, what: ask!, remark: typed.remark, seen: invoice.seen }), {
      then: () => done(),
      to: ({ id }) => `/money/${id}`,
    });
  const byLine = lines.length > 0;
  return (
    <Modal
      open
      width={640}
      title={`Credit invoice ${invoice.number}`}
      okText="Issue credit note"
      cancelText="Cancel"
      okButtonProps={{ disabled: !ask || wrong !== null }}
      confirmLoading={busy}
      onOk={issue}
      onCancel={close}
    >
      {notice}
      {(refused ?? wrong) && <Alert type="error" title={refused ?? wrong} className="below" />}
      <Radio.Group
        vertical
        value={typed.way}
        onChange={({ target }) => type({ way: target.value as Way })}
        options={[
          { value: 'whole', label: `All of it: ${showDecimal(total)}` },
          { value: 'amount', label: byLine ? 'Work for an amount, including tax' : 'An amount of it' },
          ...(byLine ? [{ value: 'lines', label: 'By line' }] : []),
        ]}
      />
      {typed.way === 'amount' && (
        <label className="bill-field">
          Amount, at most {showDecimal(byLine ? work : total)}
          <Input
            value={typed.amount}
            onChange={({ target }) => type({ amount: target.value })}
            className="wide-choice"
          />
        </label>
      )}
      {typed.way === 'lines' && (
        <CreditLines lines={lines} typed={typed.lines} type={(next) => type({ lines: next })} />
      )}
      <label className="bill-field">
        Why, in words the customer reads
        <Input.TextArea
          value={typed.remark}
          maxLength={2000}
          autoSize={{ minRows: 1, maxRows: 4 }}
          onChange={({ target }) => type({ remark: target.value })}
        />
      </label>
      {sums && <CreditSums sums={sums} digits={ledger.minorDigits} />}
      <p className="soft">
        What is credited can be billed again. What was paid already is kept as customer credit.
      </p>
    </Modal>
  );
}
