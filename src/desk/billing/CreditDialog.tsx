'use client';

import { Alert, Input, Modal, Radio } from 'antd';
import { useMemo, useState } from 'react';
import type { InvoiceAtDesk } from '@/services/billing/invoiceAtDesk';
import { BillingError, makeCredit, paperSums } from '@/core/billing';
import { isNothing, moneyOf, showDecimal } from '@/core/number';
import type { Answer, CreditAsk, CreditInput } from '@/model';
import { parseMoneyInput } from '@/core/quantity';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useSubmit } from '@/ui/useSubmit';

type Way = 'whole' | 'amount' | 'lines';

interface Typed {
  readonly way: Way;
  readonly amount: string;
  readonly lines: Readonly<Record<string, string>>;
  readonly remark: string;
}
const blank: Typed = { way: 'whole', amount: '', lines: {}, remark: '' };

/** What the fields ask for; null: nothing yet. Throws a sentence where something cannot be read. */
function askOf(
  way: Way,
  amount: string,
  lines: Readonly<Record<string, string>>,
  digits: number,
): CreditAsk | null {
  if (way === 'whole') return { whole: true };
  if (way === 'amount') {
    const value = parseMoneyInput(amount.trim() || '0', digits);
    return isNothing(value) ? null : { amount: value };
  }
  const named = Object.entries(lines).flatMap(([line, text]) => {
    const below = text.trim().startsWith('-') || text.trim().startsWith('−');
    const value = parseMoneyInput(text.trim().replace(/^[-−]/, '') || '0', digits);
    return isNothing(value) ? [] : [{ line, amount: below ? `-${value}` : value }];
  });
  return named.length > 0 ? { lines: named } : null;
}

/** Takes an issued invoice back, in whole or in part. The credit note is a paper of its own and never changes. */
export function CreditDialog({
  invoice,
  credit,
  close,
}: {
  invoice: InvoiceAtDesk & { readonly back: NonNullable<InvoiceAtDesk['back']> };
  credit: (input: CreditInput) => Promise<Answer<{ id: string; number: string }>>;
  close: () => void;
}) {
  const { back } = invoice;
  const { ledger } = back;
  const [way, setWay] = useState<Way>('whole');
  const [amount, setAmount] = useState('');
  const [lines, setLines] = useState<Readonly<Record<string, string>>>({});
  const [remark, setRemark] = useState('');
  const { busy, refused, submit } = useSubmit();

  const { done, notice } = useKeptForm<Typed>(
    `credit of ${invoice.id}`,
    { way, amount, lines, remark },
    blank,
    (kept) => {
      setWay(kept.way);
      setAmount(kept.amount);
      setLines(kept.lines);
      setRemark(kept.remark);
    },
  );

  const { ask, sums, wrong } = useMemo(() => {
    try {
      const found = askOf(way, amount, lines, ledger.minorDigits);
      return {
        ask: found,
        sums: found && paperSums(makeCredit(ledger, invoice.id, found), ledger.components),
        wrong: null,
      };
    } catch (error) {
      if (!(error instanceof BillingError) && !(error instanceof Error)) throw error;
      return { ask: null, sums: null, wrong: (error as Error).message };
    }
  }, [way, amount, lines, ledger, invoice.id]);
  const money = moneyOf(ledger.minorDigits);

  const issue = () =>
    submit(() => credit({ invoiceId: invoice.id, what: ask!, remark, seen: invoice.seen }), {
      then: done,
      to: ({ id }) => `/money/${id}`,
    });
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
        value={way}
        onChange={(event) => setWay(event.target.value as Way)}
        style={{ display: 'grid', gap: 6 }}
        options={[
          { value: 'whole', label: `All of it: ${showDecimal(back.total)}` },
          {
            value: 'amount',
            label: back.lines.length > 0 ? 'Work for an amount, including tax' : 'An amount of it',
          },
          ...(back.lines.length > 0 ? [{ value: 'lines', label: 'By line' }] : []),
        ]}
      />
      {way === 'amount' && (
        <label className="bill-field">
          Amount, at most {showDecimal(back.lines.length > 0 ? back.work : back.total)}
          <Input value={amount} onChange={(event) => setAmount(event.target.value)} className="wide-choice" />
        </label>
      )}
      {way === 'lines' && (
        <div className="scrolls-down">
          <PlainTable
            label="Lines to credit"
            rows={back.lines}
            rowKey={({ id }) => id}
            columns={[
              {
                key: 'work',
                title: 'Work',
                cell: (line) => (
                  <>
                    {line.description} <span className="soft">{line.section}</span>
                  </>
                ),
              },
              { key: 'billed', title: 'Billed, net', figure: true, cell: ({ net }) => showDecimal(net) },
              {
                key: 'credit',
                title: 'Credit',
                figure: true,
                cell: (line) => (
                  <Input
                    size="small"
                    className="credit-amount"
                    aria-label={`Credit of ${line.description}`}
                    value={lines[line.id] ?? ''}
                    onChange={(event) => setLines({ ...lines, [line.id]: event.target.value })}
                  />
                ),
              },
            ]}
          />
        </div>
      )}
      <label className="bill-field">
        Why, in words the customer reads
        <Input.TextArea
          value={remark}
          maxLength={2000}
          autoSize={{ minRows: 1, maxRows: 4 }}
          onChange={(event) => setRemark(event.target.value)}
        />
      </label>
      {sums && (
        <dl className="pairs" data-testid="credit-sums">
          <dt>Work credited, including tax</dt>
          <dd>{money.show(sums.workGross)}</dd>
          {sums.retainage !== 0n && (
            <>
              <dt>Retainage in it</dt>
              <dd>{money.show(sums.retainage)}</dd>
            </>
          )}
          {sums.advance !== 0n && (
            <>
              <dt>Deposit</dt>
              <dd>{money.show(sums.advance)}</dd>
            </>
          )}
          <dt className="sum">Credit note</dt>
          <dd className="sum">
            <strong>{money.show(sums.total)}</strong>
          </dd>
        </dl>
      )}
      <p className="soft">
        What is credited can be billed again. What was paid already is kept as customer credit.
      </p>
    </Modal>
  );
}
