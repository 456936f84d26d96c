'use client';

import { Button, Checkbox } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { DueReminder } from '@/services/billing/reminders';
import { showDecimal } from '@/core/number';
import type { Answer } from '@/model';
import { useConfirmed } from '@/ui/useConfirmed';

const when = (days: number): string =>
  days === 0
    ? 'due today'
    : days > 0
      ? `${days} ${days === 1 ? 'day' : 'days'} late`
      : `due in ${-days} ${days === -1 ? 'day' : 'days'}`;

/** Reminders due today: those that are ticked are sent, after a question. */
export function Reminders({
  due,
  more,
  maySend,
  send,
}: {
  due: readonly DueReminder[];
  /** More are due than are listed. */
  more: boolean;
  maySend: boolean;
  send: (input: { invoiceIds: string[] }) => Promise<Answer<{ sent: number }>>;
}) {
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const confirmed = useConfirmed();
  const possible = due.filter(({ email }) => email !== '');
  const chosen = possible.filter(({ id }) => ticked.has(id));
  const many = chosen.length === 1 ? 'the reminder' : `${chosen.length} reminders`;
  const ask = () =>
    confirmed(
      {
        title: `Send ${many}?`,
        content: `By email to ${[...new Set(chosen.map(({ customer }) => customer))].join(', ')}.`,
        okText: 'Send',
      },
      () => send({ invoiceIds: chosen.map(({ id }) => id) }),
      {
        said: ({ sent }) =>
          sent === 0
            ? 'None of them is due any more.'
            : sent === 1
              ? 'One reminder is sent.'
              : `${sent} reminders are sent.`,
        then: () => setTicked(new Set()),
      },
    );
  return (
    <section className="panel reminders" aria-labelledby="reminders">
      <h2 id="reminders">Reminders due</h2>
      {maySend && possible.length > 1 && (
        <Checkbox
          checked={chosen.length === possible.length}
          indeterminate={chosen.length > 0 && chosen.length < possible.length}
          onChange={({ target }) => setTicked(new Set(target.checked ? possible.map(({ id }) => id) : []))}
        >
          All {possible.length}
        </Checkbox>
      )}
      <ul>
        {due.map(({ id, number, customer, email, open, daysLate, step }) => (
          <li key={id}>
            <Checkbox
              aria-label={`Remind ${customer} of ${number}`}
              disabled={!maySend || email === ''}
              checked={email !== '' && ticked.has(id)}
              onChange={({ target }) => {
                const next = new Set(ticked);
                if (target.checked) next.add(id);
                else next.delete(id);
                setTicked(next);
              }}
            />
            <Link href={`/money/${id}`} prefetch={false}>
              {number}
            </Link>
            <span>
              {customer} <span className="soft">{email || 'no email address'}</span>
            </span>
            <span className="soft">{when(daysLate)}</span>
            <span>{step.subject}</span>
            <span className="amount">{showDecimal(open)}</span>
          </li>
        ))}
      </ul>
      {more && <p className="soft">More are due; they follow once these are sent.</p>}
      {maySend && (
        <Button disabled={chosen.length === 0} onClick={ask}>
          {chosen.length === 0 ? 'Send reminders …' : `Send ${many} …`}
        </Button>
      )}
    </section>
  );
}
