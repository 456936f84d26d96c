'use client';

import { Alert, Input, Modal, Progress } from 'antd';
import { useRef, useState } from 'react';
import { plusDays } from '@/core/calendar';
import { isNothing, showDecimal } from '@/core/number';
import type { CustomerListRow } from '@/services/customers/customerList';
import type { StatementSent } from '@/services/customers/sendStatements';
import type { Answer, StatementsInput } from '@/model';
import { asked } from '@/ui/asked';
import { DayPicker } from '@/ui/fields/DayPicker';
import { PlainTable } from '@/ui/tables/PlainTable';
import './statements.css';

export type SendStatements = (
  input: StatementsInput,
) => Promise<Answer<{ readonly sent: readonly StatementSent[] }>>;

/** So many are asked for at once: each is set as a paper, and one waits for no more than a few. */
const AT_ONCE = 5;

/** The customers with what they have open, their statement to look at, and what became of it. */
const WhoGetsOne = ({
  customers,
  days: { from, to },
  outcome,
}: {
  readonly customers: readonly CustomerListRow[];
  readonly days: { readonly from: string; readonly to: string };
  readonly outcome: ReadonlyMap<string, StatementSent>;
}) => (
  <div className="scrolls-down" tabIndex={0} role="region" aria-label="Who gets one">
    <PlainTable
      label="Statements"
      rows={customers}
      rowKey={({ id }) => id}
      columns={[
        { key: 'name', title: 'Customer', cell: ({ name }) => name },
        {
          key: 'open',
          title: 'Open',
          figure: true,
          cell: ({ open }) => (isNothing(open) ? '' : showDecimal(open)),
        },
        {
          key: 'look',
          title: 'Statement',
          cell: ({ id }) => (
            <a
              className="link-in-text"
              href={`/api/v1/customers/${id}/account.pdf?from=${from}&to=${to}`}
              target="_blank"
              rel="noreferrer"
            >
              Look at it
            </a>
          ),
        },
        {
          key: 'became',
          title: 'Sent',
          cell: ({ id }) => {
            const became = outcome.get(id);
            if (became === undefined) return '';
            return 'refused' in became ? (
              <span className="wrong">{became.refused}</span>
            ) : (
              `✓ to ${became.sentTo}`
            );
          },
        },
      ]}
    />
  </div>
);

/** Statements of account of the selected customers: of which days, with which words; sent after one press, and told. */
export function StatementsDialog({
  customers,
  today,
  send,
  close,
}: {
  readonly customers: readonly CustomerListRow[];
  readonly today: string;
  readonly send: SendStatements;
  readonly close: () => void;
}) {
  const [from, setFrom] = useState(plusDays(today, -90));
  const [to, setTo] = useState(today);
  const [words, setWords] = useState('');
  const [outcome, setOutcome] = useState<ReadonlyMap<string, StatementSent>>(new Map());
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const stopped = useRef(false);
  const left = customers.filter(({ id }) => {
    const became = outcome.get(id);
    return became === undefined || 'refused' in became;
  });
  const sendAll = async () => {
    setBusy(true);
    setWrong(null);
    stopped.current = false;
    const asking = { from, to, words: words.trim() };
    for (let at = 0; at < left.length && !stopped.current; at += AT_ONCE) {
      const customerIds = left.slice(at, at + AT_ONCE).map(({ id }) => id);
      const answer = await asked(send({ customerIds, ...asking }));
      if (!answer.ok) {
        setWrong(answer.problem.detail);
        break;
      }
      setOutcome(
        (before) => new Map([...before, ...answer.value.sent.map((one) => [one.customerId, one] as const)]),
      );
    }
    setBusy(false);
  };
  const gone = customers.length - left.length;
  return (
    <Modal
      open
      width={720}
      title={`Statements of account to ${customers.length === 1 ? customers[0]!.name : `${customers.length} customers`}`}
      okText={
        left.length === 0
          ? 'All are sent'
          : `Send ${left.length} ${left.length === 1 ? 'statement' : 'statements'}`
      }
      okButtonProps={{ disabled: left.length === 0 || from > to }}
      cancelText={busy ? 'Stop' : 'Close'}
      confirmLoading={busy}
      onOk={() => void sendAll()}
      onCancel={() => {
        if (busy) stopped.current = true;
        else close();
      }}
    >
      {wrong && <Alert type="error" title={wrong} className="below" />}
      <p className="statement-days">
        From <DayPicker label="From" value={from} onChange={(day) => day && setFrom(day)} /> to{' '}
        <DayPicker label="To" value={to} onChange={(day) => day && setTo(day)} />
      </p>
      {from > to && <Alert type="warning" title="The first day is after the last." className="below" />}
      <label className="statement-words">
        Your words before it
        <Input.TextArea
          value={words}
          maxLength={2000}
          rows={1}
          autoSize={{ minRows: 1, maxRows: 5 }}
          onChange={({ target }) => setWords(target.value)}
        />
      </label>
      {gone > 0 && (
        <Progress percent={Math.round((100 * gone) / customers.length)} format={() => `${gone} sent`} />
      )}
      <WhoGetsOne customers={customers} days={{ from, to }} outcome={outcome} />
    </Modal>
  );
}
