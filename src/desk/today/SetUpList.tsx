'use client';

import { CheckOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import Link from 'next/link';
import type { ChecklistStep } from '@/services/settings/checklist';
import type { Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import './setUpList.css';

const inWords = { done: 'done', aside: 'put aside', 'to do': 'to do' } as const;

/** What is left of setting the company up; each step leads to where it is done, or is put aside. */
export function SetUpList({
  steps,
  putAside,
}: {
  readonly steps: readonly ChecklistStep[];
  readonly putAside: (input: unknown) => Promise<Answer<void>>;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  if (steps.length === 0) return null;
  const left = steps.filter(({ state }) => state === 'to do').length;
  const next = steps.find(({ state }) => state === 'to do');
  return (
    <section className="panel set-up-list" aria-label="Setting up">
      <h2>Setting up: {left} to go</h2>
      <ol>
        {steps.map(({ key, title, says, address, aside, state }) => (
          <li key={key} className={`set-up-step ${state === 'to do' ? '' : 'set-up-over'}`}>
            <span className="set-up-mark" aria-hidden="true">
              {state === 'done' ? <CheckOutlined /> : ''}
            </span>
            <span className="set-up-what">
              <Link href={address} prefetch={false}>
                {title}
              </Link>{' '}
              {state === 'to do' ? (
                <span className="soft">{says}</span>
              ) : (
                <span className="soft">{inWords[state]}</span>
              )}
            </span>
            {state === 'to do' && (
              <Button
                size="small"
                type="text"
                loading={busy}
                aria-label={`${title}: ${aside}`}
                onClick={() => void submit(() => putAside({ key, aside: true }))}
              >
                {aside}
              </Button>
            )}
            {state === 'aside' && (
              <Button
                size="small"
                type="text"
                loading={busy}
                aria-label={`${title}: take it up again`}
                onClick={() => void submit(() => putAside({ key, aside: false }))}
              >
                Take it up again
              </Button>
            )}
          </li>
        ))}
      </ol>
      {next && (
        <Link className="set-up-next" href={next.address} prefetch={false}>
          Next: {next.title}
        </Link>
      )}
    </section>
  );
}
