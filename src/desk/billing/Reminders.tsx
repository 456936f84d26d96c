'use client';

import { Button, Checkbox } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { DueReminder } from '@/services/billing/reminders';
import { showDecimal } from '@/core/number';
import type { Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';

const when = (days: number): string =>
  days === 0
    ? 'due today'
    : days > 0
      ? `${days} ${days === 1 ? 'day' : 'days'} late`
      : `due in ${-days} ${days === -1 ? 'day' : 'days'}`;

/** Reminders due today: all are sent with one press, or those ticked. */
export function Reminders({
  due,
  maySend,
  send,
}: {
  due: readonly DueReminder[];
  maySend: boolean;
  send: (input: { invoiceIds: string[] }) => Promise<Answer<{ sent: number }>>;
}) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const { busy, submit } = useSubmit({ tells: true });
  const possible = due.filter(({ email }) => email !== '');
  const chosen = possible.filter(({ id }) => !left.has(id));
  const go = async () => {
    await submit(() => send({ invoiceIds: chosen.map(({ id }) => id) }), {
      said: ({ sent }) => (sent === 1 ? 'One reminder is sent.' : `${sent} reminders are sent.`),
    });
  };
  return (
    <section className="panel reminders" aria-labelledby="reminders">
      <h2 id="reminders">Reminders due</h2>
      <ul>
        {due.map(({ id, number, customer, email, open, daysLate, step }) => (
          <li key={id}>
            <Checkbox
              aria-label={`Remind ${customer} of ${number}`}
              disabled={!maySend || email === ''}
              checked={email !== '' && !left.has(id)}
              onChange={({ target }) => {
                const next = new Set(left);
                if (target.checked) next.delete(id);
                else next.add(id);
                setLeft(next);
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
      {maySend && (
        <Button loading={busy} disabled={chosen.length === 0} onClick={() => void go()}>
          {chosen.length === 1 ? 'Send the reminder' : `Send ${chosen.length} reminders`}
        </Button>
      )}
    </section>
  );
}
